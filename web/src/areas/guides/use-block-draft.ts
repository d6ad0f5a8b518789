import { blockLines } from '@binoculum/core'
import { computed, ref } from 'vue'

export interface BlockDraft {
  readonly key: string
  readonly language: string
  readonly title: string
  readonly text: string
}

const id = ({ key, language }: BlockDraft) => `${language} ${key}`
const empty: BlockDraft = { key: '', language: 'en', title: '', text: '' }

/** A block under a hand: what counts, and what is typed. Words left unsaved at a block are there when one comes back. */
export function useBlockDraft() {
  const draft = ref<BlockDraft>(empty)
  const counts = ref<BlockDraft>(empty)
  const left = new Map<string, BlockDraft>()
  const dirty = computed(() => draft.value.text !== counts.value.text || draft.value.title !== counts.value.title)

  /** Takes a block up as the server has it; the same block again only says what counts now. */
  function start(from: BlockDraft) {
    const same = id(from) === id(draft.value)
    if (!same) {
      if (dirty.value) left.set(id(draft.value), draft.value)
      draft.value = left.get(id(from)) ?? from
      left.delete(id(from))
    }
    counts.value = from
  }
  const change = (part: Partial<Pick<BlockDraft, 'title' | 'text'>>) => (draft.value = { ...draft.value, ...part })
  return { draft, dirty, start, change }
}

/** A block's words as they are read: tags gone, variables put in. */
export const spokenBlock = (text: string, variables: Readonly<Record<string, string>>): string =>
  blockLines(text)
    .map((line) => line.text.replace(/\{([\w -]+)\}/g, (_whole, name: string) => variables[name] ?? name))
    .join('\n')
