import { roleFacts, type Role } from '../contents/roles.ts'
import { plain, type Said, type Translator } from './said.ts'

/** A zoom at one end of its range, as `guidePower` names it. */
const ZOOM = /^(?:Eyepiece|Zoom eyepiece) (\d[\d.]*–\d[\d.]* mm) at (\d[\d.]* mm)$/
const FIGURE = /\d[\d./,–-]*(\s?(mm|cm|g|kg|V|×|x|°))?/

/** A part's name in a language. “Eyepiece 25 mm” is a name and a figure: languages translate the name. Where they have no
 * word for a name of the coordinator's own, the word for its role stands in. */
export function saidPart(name: string, t: Translator, role?: Role): Said {
  const [, zoomed, at] = ZOOM.exec(name) ?? []
  if (zoomed !== undefined) return t.say('Eyepiece {figure} at {at}', { figure: zoomed, at: at ?? '' })
  const [figure] = FIGURE.exec(name) ?? []
  const pattern = figure === undefined ? name : name.replace(FIGURE, '{figure}')
  if (role !== undefined && !t.knows(pattern)) {
    const { words } = roleFacts(role)
    if (t.knows(words)) return t.say(words)
  }
  return figure === undefined ? t.say(name) : t.say(pattern, { figure })
}

const EYEPIECE = /^(?:Eyepiece|Zoom eyepiece) (\d[\d.]*(?:–\d[\d.]*)? mm)(?: at (\d[\d.]* mm))?$/

/** A part in the middle of a sentence: “the 25 mm eyepiece”. */
export function inSentence(name: string, t: Translator, role?: Role): string {
  const [, figure, at] = EYEPIECE.exec(name) ?? []
  if (figure === undefined) return plain(saidPart(name, t, role))
  return at === undefined
    ? t.text('the {figure} eyepiece', { figure })
    : t.text('the {figure} eyepiece at {at}', { figure, at })
}
