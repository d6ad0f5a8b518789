import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Explained, runMain, say } from './lib/say.mjs'
import { ensurePackages, rootFolder } from './lib/setup.mjs'

/** Makes one mistake after the other in a copy of `core`, and asks the tests beside it whether they notice. The list of
 * mistakes is perf/mutants.json: each was once missed by every test, or would hurt most. */
await runMain(async () => {
  await ensurePackages()
  const mutants = JSON.parse(readFileSync(join(rootFolder, 'perf', 'mutants.json'), 'utf8'))
  const copy = mkdtempSync(join(tmpdir(), 'binoculum-mutants-'))
  try {
    // What the configuration of all tests names has to be there, though only those of core run.
    const named = ['web/src/testing', 'scripts/lib']
    for (const name of ['core', ...named, 'package.json', 'jest.config.mjs', 'tsconfig.json', 'tsconfig.base.json'])
      cpSync(join(rootFolder, name), join(copy, name), {
        recursive: true,
        errorOnExist: false,
        filter: (path) => !path.includes('node_modules') && !path.endsWith('/dist'),
      })
    symlinkSync(join(rootFolder, 'node_modules'), join(copy, 'node_modules'))
    // Tests that fail anyway would notice everything.
    if (runTests(copy, [...new Set(mutants.map(({ tests }) => tests))].join('|')).status !== 0)
      throw new Explained('The tests fail without any mistake; mend that first.')
    const survivors = mutants.filter((mutant) => !isNoticed(copy, mutant))
    say(`${mutants.length - survivors.length} of ${mutants.length} mistakes noticed.`)
    if (survivors.length > 0)
      throw new Explained(`Nobody noticed:\n${survivors.map(({ file, to }) => `  ${file}: ${to}`).join('\n')}`)
  } finally {
    rmSync(copy, { recursive: true })
  }
})

function isNoticed(copy, { file, from, to, tests }) {
  const path = join(copy, file)
  const right = readFileSync(path, 'utf8')
  if (right.split(from).length !== 2) throw new Explained(`perf/mutants.json: “${from}” must stand once in ${file}`)
  writeFileSync(path, right.replace(from, to))
  const run = runTests(copy, tests)
  writeFileSync(path, right)
  if (/No tests found/.test(run.stdout + run.stderr))
    throw new Explained(`perf/mutants.json: no test is called ${tests}`)
  const noticed = run.status !== 0
  say(`${noticed ? 'noticed ' : 'MISSED  '} ${file}: ${to.trim().slice(0, 90)}`)
  return noticed
}

function runTests(copy, patterns) {
  const jest = join(rootFolder, 'node_modules', 'jest', 'bin', 'jest.js')
  const options = ['--selectProjects', 'unit', '--bail', '--testPathPatterns', patterns]
  const node = ['--experimental-vm-modules', '--no-warnings', jest, ...options]
  return spawnSync(process.execPath, node, { cwd: copy, encoding: 'utf8' })
}
