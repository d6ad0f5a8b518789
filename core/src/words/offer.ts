import { NAME_PLACEHOLDER, type Letter } from './letter.ts'

/** A kit is offered to somebody who waited for it. */
export function offerLetter(
  language: 'en' | 'es',
  given: {
    readonly kit: string
    readonly from: string
    readonly until: string
    readonly answerBy: string
    readonly branch: string
  },
): Letter {
  const { kit, from, until, answerBy, branch } = given
  if (language === 'es')
    return {
      subject: `${kit} queda libre para usted desde el ${from}`,
      body: `Hola, ${NAME_PLACEHOLDER}:

usted esperaba un telescopio: ${kit} queda libre desde el ${from} hasta el ${until}, y se lo guardamos hasta el ${answerBy}. ¿Lo quiere? Responda a esta carta o llámenos.

Si no le vienen bien esas fechas, díganoslo: conserva su lugar en la lista.

${branch}
`,
    }
  return {
    subject: `${kit} is free for you from ${from}`,
    body: `Dear ${NAME_PLACEHOLDER},

you were waiting for a telescope: ${kit} is free from ${from} until ${until}, and we keep it for you until ${answerBy}. Would you like it? Please answer this letter or ring us.

If these days don’t suit you, tell us: you keep your place in the list.

${branch}
`,
  }
}
