/** Why a kit should be looked at though nothing is wrong with it. It says what is likely, and that nobody has seen it. */
export const lookSentence = ({ chance, loans }: { readonly chance: number; readonly loans: number }): string =>
  `Not looked at for ${loans === 1 ? 'a loan' : `${loans} loans`}: by what it did before, its mirror is beyond the limit with ${Math.round(100 * chance)} %. Check it before the next loan.`

/** Minutes of a look at a mirror that nobody has timed. Common practice, no source. */
export const LOOK_MINUTES = 10
