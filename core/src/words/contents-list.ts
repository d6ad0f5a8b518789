import { listFields, type RowProblem, type RowProblemCode } from '../contents/contents-list.ts'

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
  WORD_UNKNOWN: (value) => `“${value}” is no word for how much it is needed; write yes, useful, protective or tool`,
}

/** “line 7, mass of one: “2.x” is not a mass; write …” */
export const problemSentence = ({ line, field, code, value }: RowProblem): string =>
  `line ${line}, ${listFields[field]}: ${problemWords[code](value)}`
