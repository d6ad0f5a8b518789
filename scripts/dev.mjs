import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { startCluster } from './lib/postgres.mjs'
import { runMain, say } from './lib/say.mjs'
import { dataFolder, ensurePackages, ensurePostgres, rootFolder } from './lib/setup.mjs'

/** Server and screens with reload, on the demo's database: http://127.0.0.1:8461 */
await runMain(async () => {
  await ensurePackages()
  const cluster = await startCluster({ binFolder: await ensurePostgres(), folder: join(dataFolder, 'postgres') })
  const env = {
    ...process.env,
    DATABASE_URL: cluster.dailyUrl,
    DATABASE_OWNER_URL: cluster.url,
    BINOCULUM_DATA: dataFolder,
    TSX_TSCONFIG_PATH: join(rootFolder, 'server', 'tsconfig.json'),
  }
  const start = (args) => spawn(process.execPath, args, { cwd: rootFolder, env, stdio: ['ignore', 2, 2] })
  const serverScript = join('server', 'src', 'main.ts')
  const children = [
    start([
      '--watch-path=server/src',
      '--watch-path=contract/src',
      '--watch-path=core/src',
      '--conditions=@binoculum/source',
      '--import',
      'tsx',
      serverScript,
      '--demo',
    ]),
    start(['node_modules/vite/bin/vite.js', 'web', '--config', 'web/vite.config.ts']),
  ]
  const stop = async () => {
    say('\nStopping …')
    for (const child of children) child.kill('SIGTERM')
    await cluster.stop()
    process.exit(0)
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
  return new Promise(() => {})
})
