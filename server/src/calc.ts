import { readFileSync } from 'node:fs'
import { commandLine } from './features/calculators/command-line.ts'

const { status, output } = await commandLine(process.argv[2], () => readFileSync(0, 'utf8'))
process.stdout.write(output)
process.exitCode = status
