// `npm run bench`: how fast, as numbers and as ratios of one run. Prints; asserts nothing.
import { spawnSync } from 'node:child_process'
import { startCluster } from './cluster.mjs'
import {
  build,
  checkNode,
  copyFonts,
  environment,
  installDebian,
  installModules,
  listIcons,
  migrate,
  root,
} from './prepare.mjs'

checkNode()
installDebian(['postgresql', 'chromium', 'chromium-driver'])
installModules()
copyFonts()
listIcons()
build()
const cluster = await startCluster()
try {
  cluster.drop('idle_compass_bench')
  const env = { DATABASE_URL: cluster.url('idle_compass_bench') }
  migrate(env)
  spawnSync(process.execPath, ['--import', 'tsx', 'e2e/bench.ts'], {
    cwd: root,
    env: environment(env),
    stdio: 'inherit',
  })
  cluster.drop('idle_compass_bench')
} finally {
  if (!cluster.wasRunning) cluster.stop()
}
