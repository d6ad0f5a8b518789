import type { BenchSkill } from './bench-work.ts'

/** What decides between tools. */
export interface ToolsOf {
  readonly skills: readonly BenchSkill[]
  /** Sighted by a red dot, which has a cell. */
  readonly hasDot: boolean
  /** Keyed in on a controller. */
  readonly isDriven: boolean
  /** Its mirrors have screws that may be turned here. */
  readonly hasScrews: boolean
}

/** What to lay out before a kit comes onto the bench, each thing once, in the order of its stations. Common practice, no source. */
export function toolsToBring({ skills, hasDot, isDriven, hasScrews }: ToolsOf): readonly string[] {
  const tools: Readonly<Record<BenchSkill, readonly string[]>> = {
    contents: ['its contents card', 'the scale'],
    glass: ['a torch'],
    assembly: ['room for its stand', 'its hex keys'],
    balance: ['its heaviest eyepiece', 'a tape measure'],
    place: isDriven ? ['full power for its controller', 'date, hour and place'] : ['the latitude of its place'],
    collimation: hasScrews ? ['a collimation cap', 'the tool for its screws', 'a ruler'] : ['a collimation cap'],
    star: ['a bright star, or a lamp far away'],
    finder: ['a mark far away, or its target sheet', ...(hasDot ? ['a spare coin cell'] : [])],
    pack: [],
    mending: ['what its job asks for'],
  }
  return [...new Set(skills.flatMap((skill) => tools[skill]))]
}
