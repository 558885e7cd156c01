// `npm run crowd [load|faults|browsers] [SECONDS]`: many people at once, on a database of its own. Long: not part of `npm test`.
import { spawnSync } from 'node:child_process'
import { startCluster } from './cluster.mjs'
import { build, copyFonts, environment, installDebian, installModules, listIcons, migrate, root } from './prepare.mjs'

installDebian(['postgresql', 'chromium', 'chromium-driver'])
installModules()
copyFonts()
listIcons()
build()
const cluster = await startCluster()
cluster.drop('idle_compass_crowd')
const env = { DATABASE_URL: cluster.url('idle_compass_crowd'), CLUSTER_PID: String(cluster.process()) }
migrate(env)
const done = spawnSync(process.execPath, ['--import', 'tsx', 'e2e/crowd.ts', ...process.argv.slice(2)], {
  cwd: root,
  env: environment(env),
  stdio: 'inherit',
})
cluster.drop('idle_compass_crowd')
if (!cluster.wasRunning) cluster.stop()
process.exit(done.status ?? 1)
