// Several machines on one: three databases that hold the same, two applications with a worker each, a proxy before both.
// `npm run cluster`, and docs/running.md for how the same is set up where there are several machines.
import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { buildIfChanged } from './parts/build.mjs'
import { Cluster } from './parts/cluster.mjs'
import { dataFolder, isStarted, lockIn } from './parts/data-folder.mjs'
import { clusterPackages, installDebianPackages, installNodePackages } from './parts/install.mjs'
import { readSecretFiles } from './parts/secrets.mjs'

readSecretFiles()
installDebianPackages(clusterPackages)
installNodePackages()
await buildIfChanged()
const folder = `${dataFolder()}-cluster`
mkdirSync(folder, { recursive: true })
if (isStarted(folder, 'cluster.mjs')) {
  console.error('A cluster is already running from this folder. Stop it with Ctrl-C where it was started.')
  process.exit(1)
}
writeFileSync(lockIn(folder), String(process.pid))
const cluster = new Cluster(folder)
let ending = false
async function end(code) {
  if (ending) return
  ending = true
  await cluster.stop()
  rmSync(lockIn(folder), { force: true })
  process.exit(code)
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void end(0))
try {
  await cluster.start()
  console.log(
    `\n  Tall Gable is at ${cluster.address}\n\n  Three databases, two applications, two workers. Ctrl-C ends them.\n`,
  )
} catch (error) {
  console.error(error.message)
  await end(1)
}
