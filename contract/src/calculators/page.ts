import { z } from 'zod'
import { calculators } from './register.ts'

export interface JsonSchema {
  readonly type?: string | string[]
  readonly enum?: readonly unknown[]
  readonly anyOf?: readonly JsonSchema[]
  readonly items?: JsonSchema
  readonly properties?: Readonly<Record<string, JsonSchema>>
  readonly required?: readonly string[]
  readonly minimum?: number
  readonly exclusiveMinimum?: number
  readonly maximum?: number
  readonly exclusiveMaximum?: number
  readonly minItems?: number
  readonly additionalProperties?: JsonSchema | boolean
}

const SAFE_INTEGER = Number.MAX_SAFE_INTEGER

/** A schema in words a reader takes in at a glance: “number > 0”, “good · usable · off”, “[{role, mark, name?}]”. */
function typeWords(schema: JsonSchema): string {
  if (schema.enum) return schema.enum.length > 8 ? `one of ${schema.enum.length} words` : schema.enum.join(' · ')
  if (schema.anyOf) return schema.anyOf.map(typeWords).join(' or ')
  if (schema.type === 'array') return `[${typeWords(schema.items ?? {})}]`
  if (schema.properties) {
    const required = new Set(schema.required)
    return `{${Object.keys(schema.properties)
      .map((name) => (required.has(name) ? name : `${name}?`))
      .join(', ')}}`
  }
  if (schema.type === 'object') return 'object'
  const limits = [
    schema.minimum !== undefined && schema.minimum > -SAFE_INTEGER && `≥ ${schema.minimum}`,
    schema.exclusiveMinimum !== undefined && `> ${schema.exclusiveMinimum}`,
    schema.maximum !== undefined && schema.maximum < SAFE_INTEGER && `≤ ${schema.maximum}`,
    schema.exclusiveMaximum !== undefined && `< ${schema.exclusiveMaximum}`,
  ].filter(Boolean)
  return [String(schema.type ?? 'anything'), ...limits].join(' ')
}

/** A schema of several shapes has one row for each. */
function table(title: string, schema: JsonSchema): string[] {
  if (schema.anyOf) {
    const shapes = schema.anyOf.map((each, index) => `| ${index === 0 ? 'either' : 'or'} | ${typeWords(each)} |`)
    return [`| ${title} | |`, '|---|---|', ...shapes, '']
  }
  const required = new Set(schema.required)
  const rows = Object.entries(schema.properties ?? {}).map(
    ([name, field]) => `| ${name}${required.has(name) ? '' : '?'} | ${typeWords(field).replaceAll('|', '\\|')} |`,
  )
  return [`| ${title} | |`, '|---|---|', ...rows, '']
}

const jsonSchema = (schema: z.ZodType, io: 'input' | 'output') =>
  z.toJSONSchema(schema, { io, unrepresentable: 'any' }) as unknown as JsonSchema

/** The page docs/calculators.md, made from the register; a test keeps the two the same. */
export function calculatorsPage(): string {
  const chapters = [...calculators.values()].flatMap(({ name, summary, sources, input, output }) => [
    `## ${name}`,
    '',
    `${summary}.`,
    '',
    ...table('input', jsonSchema(input, 'input')),
    ...table('output', jsonSchema(output, 'output')),
    `Sources: ${sources.join('; ')}.`,
    '',
  ])
  const head = [
    '# Calculators',
    '',
    'Made from the register in `contract/src/calculators.ts` by `npm run docs`. `?` marks what may be left out.',
    'Frames and signs: [frames.md](frames.md).',
    '',
    '```',
    'npm run -s calc                        # lists names',
    'npm run -s calc -- NAME < input.json   # JSON in, JSON out; exit 2 for bad input',
    'POST /api/calculators/NAME             # the same, signed in; 400 for bad input',
    '```',
    '',
  ]
  return [...head, ...chapters].join('\n')
}
