/** Stands in a kept letter where the borrower's name goes, so that the letter itself names nobody. */
export const NAME_PLACEHOLDER = '{{name}}'

export interface Letter {
  readonly subject: string
  readonly body: string
}

const list = (names: readonly string[]) => names.map((name) => `  – ${name}`).join('\n')

/** A polite letter about parts that did not come back. Friendly on purpose: people who are not afraid look for things. */
export function missingPartsLetter(given: {
  readonly kitName: string
  readonly kitCode: string
  readonly branchName: string
  readonly missing: readonly string[]
  readonly damaged: readonly string[]
}): Letter {
  const { kitName, kitCode, branchName, missing, damaged } = given
  if (missing.length + damaged.length === 0) throw new RangeError('missing or damaged must name a part')
  const first = missing[0] ?? damaged[0] ?? ''
  const more = missing.length + damaged.length - 1
  const asked =
    missing.length > 0
      ? `When we packed it away we could not find:\n\n${list(missing)}\n\nCould you have a look for ${
          missing.length > 1 ? 'them' : 'it'
        }? Pockets, the boot of the car, the grass where you stood and the bag the eyepieces travelled in are good places.\n\n`
      : ''
  const broken =
    damaged.length > 0
      ? `We saw that this is damaged:\n\n${list(damaged)}\n\nDo you know how it happened? It helps us to mend it.\n\n`
      : ''
  return {
    subject: `${kitName} (${kitCode}): ${first}${more > 0 ? ` and ${more} more` : ''}`,
    body: `Dear ${NAME_PLACEHOLDER},

thank you for bringing ${kitName} back.

${asked}${broken}Please answer this letter or drop in. Nobody minds: small things get lost in the dark, and the next borrower will be glad to know.

With kind regards
${branchName}
`,
  }
}

export const withName = (text: string, name: string): string => text.replaceAll(NAME_PLACEHOLDER, name)
