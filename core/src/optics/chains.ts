import { requirePositive } from '../shared/require.ts'

/** Which parts go into which, from the focuser to the eye: barrels that fit, and an adapter where they don't. */

export const chainKinds = ['eyepiece', 'barlow', 'extender', 'diagonal', 'erecting', 'adapter'] as const
export type ChainKind = (typeof chainKinds)[number]

export interface ChainPart {
  readonly id: string
  readonly kind: ChainKind
  /** Barrel that goes in, mm. */
  readonly maleMm: number
  /** Hole that takes the next one, mm; an eyepiece has none. */
  readonly femaleMm?: number | undefined
  /** By how much it lengthens the tube's focal length; 1 where left out. */
  readonly factor?: number | undefined
}

export interface ChainInput {
  readonly focuserFemaleMm: number
  readonly parts: readonly ChainPart[]
  /** The design shows nothing without one: refractors and Maksutovs. */
  readonly needsDiagonal?: boolean | undefined
  /** Between focuser and eyepiece; 3 where left out. */
  readonly maxParts?: number | undefined
}

export interface Chain {
  readonly eyepiece: string
  /** In order from the focuser, without the eyepiece. */
  readonly through: readonly string[]
  /** Product of the factors. */
  readonly factor: number
}

export interface LonelyPart {
  readonly id: string
  readonly reason: 'no-barrel-fits' | 'needs-diagonal'
}

export interface Chains {
  readonly chains: readonly Chain[]
  readonly lonely: readonly LonelyPart[]
}

/** 24.5, 31.75 and 50.8 mm, as a ruler reads them: nothing between is made. */
const FIT_TOLERANCE_MM = 0.5

export const barrelFits = (maleMm: number, femaleMm: number): boolean =>
  Math.abs(maleMm - femaleMm) <= FIT_TOLERANCE_MM

const MOST_PARTS = 3

/** Every way from the focuser to an eyepiece in which each barrel fits the hole before it: each part at most once, at
 * most one of each kind, an adapter only where the next barrel would not fit without it.
 * @param input barrels and holes in mm (> 0); at most `maxParts` (default 3) parts before the eyepiece
 * @returns chains in the order of the eyepieces given, fewest parts first; parts that are in none, with the reason
 * @throws RangeError for a measure that isn't positive. Source: exact enumeration; barrels are common practice */
export function opticalChains({
  focuserFemaleMm,
  parts,
  needsDiagonal = false,
  maxParts = MOST_PARTS,
}: ChainInput): Chains {
  requirePositive({ focuserFemaleMm })
  for (const { maleMm, femaleMm, factor } of parts)
    requirePositive({ maleMm, femaleMm: femaleMm ?? 1, factor: factor ?? 1 })
  const eyepieces = parts.filter(({ kind }) => kind === 'eyepiece')
  const between = parts.filter(({ kind, femaleMm }) => kind !== 'eyepiece' && femaleMm !== undefined)
  const runs = runsFrom(focuserFemaleMm, between, maxParts)
  const fitting = eyepieces.flatMap((eyepiece) =>
    runs
      .filter(
        (run) =>
          barrelFits(eyepiece.maleMm, holeAfter(run, focuserFemaleMm)) &&
          !idleAdapter(run, eyepiece, focuserFemaleMm),
      )
      .map((run) => ({ eyepiece: eyepiece.id, run })),
  )
  const allowed = fitting.filter(({ run }) => !needsDiagonal || run.some(isDiagonal))
  const chains = allowed.map(({ eyepiece, run }) => ({
    eyepiece,
    through: run.map(({ id }) => id),
    factor: run.reduce((product, { factor = 1 }) => product * factor, 1),
  }))
  const used = new Set(chains.flatMap(({ eyepiece, through }) => [eyepiece, ...through]))
  const fits = new Set(fitting.flatMap(({ eyepiece, run }) => [eyepiece, ...run.map(({ id }) => id)]))
  const spare = (part: ChainPart) => part.kind === 'adapter' && isUsable(part, parts, focuserFemaleMm)
  const lonely = parts
    .filter((part) => !used.has(part.id) && !spare(part))
    .map(({ id }): LonelyPart => ({ id, reason: fits.has(id) ? 'needs-diagonal' : 'no-barrel-fits' }))
  return { chains, lonely }
}

const isDiagonal = ({ kind }: ChainPart) => kind === 'diagonal' || kind === 'erecting'

const holeAfter = (run: readonly ChainPart[], focuserFemaleMm: number): number =>
  run.at(-1)?.femaleMm ?? focuserFemaleMm

/** Ordered runs of parts that fit one another, the empty one first, then by length. */
function runsFrom(
  focuserFemaleMm: number,
  between: readonly ChainPart[],
  maxParts: number,
): readonly (readonly ChainPart[])[] {
  const all: (readonly ChainPart[])[] = [[]]
  let last: readonly (readonly ChainPart[])[] = [[]]
  for (let length = 1; length <= maxParts && last.length > 0; length++) {
    last = last.flatMap((run) =>
      between
        .filter(
          (part) =>
            barrelFits(part.maleMm, holeAfter(run, focuserFemaleMm)) &&
            run.every(({ id, kind }) => id !== part.id && kind !== part.kind) &&
            !idleAdapter(run, part, focuserFemaleMm),
        )
        .map((part) => [...run, part]),
    )
    all.push(...last)
  }
  return all
}

/** Whether the run ends in an adapter that the next part could do without. */
function idleAdapter(run: readonly ChainPart[], next: ChainPart, focuserFemaleMm: number): boolean {
  const last = run.at(-1)
  return last?.kind === 'adapter' && barrelFits(next.maleMm, holeAfter(run.slice(0, -1), focuserFemaleMm))
}

/** An adapter that nothing needs today is no lost part: something could go into it, and it into something. */
const isUsable = (adapter: ChainPart, parts: readonly ChainPart[], focuserFemaleMm: number): boolean =>
  [
    focuserFemaleMm,
    ...parts.flatMap(({ id, femaleMm }) => (id === adapter.id || femaleMm === undefined ? [] : [femaleMm])),
  ].some((hole) => barrelFits(adapter.maleMm, hole)) &&
  parts.some(({ id, maleMm }) => id !== adapter.id && barrelFits(maleMm, adapter.femaleMm ?? 0))
