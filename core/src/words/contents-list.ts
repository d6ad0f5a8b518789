import { listFields } from '../contents/list-fields.ts'
import { type ListQuestion } from '../contents/listed.ts'
import { type RowProblem } from '../contents/listed.ts'
import { type RowProblemCode } from '../contents/listed.ts'
import { roles } from '../contents/roles.ts'

const problemWords: Readonly<Record<RowProblemCode, (value: string) => string>> = {
  NO_KIT_CODE: () => 'no kit code in this row; write the kit’s code',
  NO_PART: () => 'no part named in this row; name it',
  COUNT_NOT_WHOLE: (value) => `“${value}” is not a whole number of pieces; write 1, 2, 3 …`,
  MASS_NOT_A_NUMBER: (value) => `“${value}” is not a mass; write for example 92 g or 2.95 kg`,
  MASS_NO_UNIT: (value) => `“${value}” has no unit; write g, kg, oz or lb`,
  MASS_UNKNOWN_UNIT: (value) => `“${value}” has a unit we don’t know; write g, kg, oz or lb`,
  MASS_NEGATIVE: (value) => `“${value}” is less than nothing; write the mass without a minus`,
  MASS_AMBIGUOUS: (value) => `“${value}” could be thousands or a decimal comma; write it without the comma`,
  LENGTH_UNREADABLE: (value) => `“${value}” is not a length; write for example 25 mm or 1.25 in`,
  LENGTH_ZERO: (value) => `“${value}”: nothing has a focal length or a factor of 0; write the figure on it`,
  ROLE_UNKNOWN: (value) => `“${value}” is no part we know; leave the cell empty and we go by the name`,
  DATE_UNREADABLE: (value) => `“${value}” is no day of the calendar; the part comes in and its date stays open`,
  WORD_UNKNOWN: (value) => `“${value}” is no word for how much it is needed; write yes, useful, protective or tool`,
}

/** “line 7, mass of one: “2.x” is not a mass; write …” */
export const problemSentence = ({ line, field, code, value }: RowProblem): string =>
  `line ${line}, ${listFields[field]}: ${problemWords[code](value)}`

/** A question of the list, and why it is asked. */
export function questionWords(question: ListQuestion): { readonly title: string; readonly why: string } {
  switch (question.code) {
    case 'SAME_CODE_TWICE':
      return {
        title: `${question.kit.replace(/-\d+$/, '')} stands twice`,
        why: `line ${question.line} begins “${question.name}” under the same code`,
      }
    case 'SUN_FILTER':
      return {
        title: 'A screw-in sun filter',
        why: `${question.name}: such filters crack in use; the kit comes in held until it is taken out`,
      }
    case 'UNSURE_WORD':
      return { title: `“${question.name}”`, why: `line ${question.line}: nothing we know is surely meant` }
  }
}

/** An answer as its button says it. */
export function answerWords(question: ListQuestion, answer: string): string {
  const fixed: Readonly<Record<string, string>> = {
    join: `The rest of ${question.kit.replace(/-\d+$/, '')}: join it`,
    'own-kit': `A kit of its own, ${question.kit}`,
    spares: 'Spares, into the drawer',
    held: 'Bring in, held',
    destroyed: 'It was destroyed',
    other: 'Something else, as written',
  }
  return fixed[answer] ?? roles[answer as keyof typeof roles].words
}
