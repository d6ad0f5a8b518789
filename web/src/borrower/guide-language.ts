import { pageTranslator, plain, saidPart, type Translator, type Variables } from '@binoculum/core'
import { computed, inject, provide, type ComputedRef, type InjectionKey, type Ref } from 'vue'

const key: InjectionKey<ComputedRef<Translator>> = Symbol('guide language')

/** Gives every part of the page the language chosen. */
export function provideLanguage(language: Ref<string>) {
  const t = computed(() => pageTranslator(language.value))
  provide(key, t)
  return t
}

/** The page's own words; in English where nothing gives a language. */
export function useWords() {
  const given = inject(key, null)
  const english = pageTranslator('en')
  const t = computed(() => given?.value ?? english)
  return {
    language: computed(() => t.value.language),
    /** Plain text of an English sentence in the page's language. */
    say: (sentence: string, variables?: Variables) => t.value.text(sentence, variables),
    /** A figure as the page's language writes it. */
    figure: (text: string) => t.value.figure(text),
    /** A part of the case by its name. */
    sayPart: (name: string) => plain(saidPart(name, t.value)),
  }
}
