import type { Site } from '@binoculum/contract'
import { degText, needleSentence, type scaleSetting, type sideOfMount } from '@binoculum/core'
import { benchWords } from './words.ts'

const t = benchWords('placeWords')

/** Which mark of the head's own scale comes nearest, and how far past it. */
export function markWords(setting: ReturnType<typeof scaleSetting> | null): string {
  if (!setting) return ''
  if (!setting.reaches) return t('thisHeadsScaleDoesntReach', { setDeg: degText(setting.setDeg) })
  const past = setting.pastMarkDeg
  if (Math.abs(past) < 0.05) return t('atItsMark', { nearestMarkDeg: setting.nearestMarkDeg })
  return t('nearestMarkThen', {
    nearestMarkDeg: setting.nearestMarkDeg,
    past: Math.abs(past).toFixed(1),
    way: past > 0 ? t('more') : t('less'),
  })
}

export function needleWords(needle: Site['needle'] | null, south: boolean): string {
  if (!needle) return ''
  if (needle.declinationDeg === null)
    return needle.reason === 'NEAR_MAGNETIC_POLE' ? t('soNearTheMagneticPole') : t('needlesDeclinationIsntKnownHere')
  return needleSentence(needle.declinationDeg, south)
}

type StarSide = ReturnType<typeof sideOfMount> & { readonly star: { readonly name: string } }

/** Whether the head turns over between the two stars. */
export function flipWords([first, second]: readonly StarSide[]): string {
  if (!first || !second) return ''
  return first.tubeSide === second.tubeSide ? t('bothOnOneSideThe') : t('inBetweenTheHeadTurns')
}

/** What to do about a star that is about to cross the meridian. */
export function meridianWords(sides: readonly StarSide[]): string {
  const near = sides.find(({ nearMeridian }) => nearMeridian)
  if (!near || near.hoursToMeridian === null) return ''
  const minutes = Math.round(near.hoursToMeridian * 60)
  const when = minutes > 0 ? t('inMin', { minutes }) : minutes < 0 ? t('minAgo', { minutes: -minutes }) : t('now')
  return t('crossesTheMeridianEitherStart', { name: near.star.name, when, tubeSide: near.options[0]?.tubeSide })
}
