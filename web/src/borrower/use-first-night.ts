import type { IssuedGuide } from '@binoculum/contract'
import { toldKey, type GuideNight } from '@binoculum/core'
import { computed, onMounted, ref } from 'vue'
import { useMemory, useRemembered } from './use-kept.ts'

export type Seen = 'saw' | 'not'
const isDates = (value: unknown): value is string[] =>
  Array.isArray(value) && value.every((each) => typeof each === 'string')

/** The evening before, as it can be told to the library: what was looked for, what was seen, where it ended. */
export function useFirstNight(guide: IssuedGuide, token: string) {
  const told = useRemembered<string[]>(useMemory(), 'nights told', [], isDates)
  const nowMs = ref<number | null>(null)
  onMounted(() => (nowMs.value = Date.now()))
  /** The newest evening that has begun and wasn't told yet; which those are, the library decides by its own clock. */
  const night = computed<GuideNight | null>(() => {
    const now = nowMs.value
    if (now === null || token === '') return null
    const begun = guide.nights.filter(({ sessionUtc, sunsetUtc }) => {
      const from = sessionUtc ?? sunsetUtc
      return from !== null && Date.parse(from) < now
    })
    const last = begun.at(-1)
    return last && !told.value.includes(last.date) ? last : null
  })
  const answers = ref<Readonly<Record<string, Seen>>>({})
  const stop = ref<string | null>(null)
  /** Touched again, it wasn't looked for after all. */
  function answer(targetId: string, seen: Seen) {
    const key = toldKey(targetId)
    const { [key]: before, ...rest } = answers.value
    answers.value = before === seen ? rest : { ...rest, [key]: seen }
  }
  const answerOf = (targetId: string) => answers.value[toldKey(targetId)] ?? null
  const state = ref<'open' | 'sending' | 'sent' | 'failed'>('open')
  async function send() {
    const date = night.value?.date
    if (!date) return
    state.value = 'sending'
    const tried = Object.keys(answers.value)
    const reply = await fetch(`/api/guides/${encodeURIComponent(token)}/nights`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        date,
        tried,
        saw: tried.filter((key) => answers.value[key] === 'saw'),
        stop: stop.value,
      }),
    }).catch(() => null)
    if (!reply?.ok) return void (state.value = 'failed')
    state.value = 'sent'
    told.value = [...told.value, date]
  }
  return {
    night,
    answerOf,
    answer,
    stop,
    state,
    send,
    isEmpty: computed(() => Object.keys(answers.value).length === 0),
  }
}
