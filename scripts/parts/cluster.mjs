import { spawn } from 'node:child_process'
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { endLeftovers, sessionSecret, startApp, startWorker } from './app-server.mjs'
import { endChild, hasEnded, pause, runShown } from './commands.mjs'
import { freePort, PrivateDatabase } from './private-database.mjs'

/** Where Debian's package keeps what joins databases to a cluster. */
const provider = '/usr/lib/galera/libgalera_smm.so'
const names = ['one', 'two', 'three']
/** A node takes all data from another one before it answers. */
const nodeReadyMs = 600_000
/** Whoever says nothing for two seconds is missed, where five are usual: so long nothing is stored. */
const soonMissed = [
  'evs.keepalive_period=PT0.5S',
  'evs.inactive_check_period=PT0.5S',
  'evs.suspect_timeout=PT2S',
  'evs.inactive_timeout=PT6S',
]
/** Rest before what died is started again. */
const restMs = 300

/** Ports of loopback that are free now, all different. */
async function freePorts(count) {
  const ports = new Set()
  while (ports.size < count) ports.add(await freePort(0))
  return [...ports]
}

/**
 * Three databases that hold the same (Galera), a proxy before them, two applications with a worker each, and the proxy
 * that shares requests out to those: everything on loopback, as it would stand on several machines. What dies is started again.
 */
export class Cluster {
  #folder
  #nodes = []
  #apps = []
  #workers = []
  #proxy = null
  #ports = {}
  #ending = false
  /** Addresses that the nodes speak to each other by. */
  #members = []
  /** The node that begins a cluster where there is none; null where each finds the others. */
  #first = null

  constructor(folder) {
    this.#folder = folder
  }

  get address() {
    return `http://127.0.0.1:${this.#ports.front}`
  }

  get databaseUrl() {
    return this.#nodes[0].url.replace(/:\d+\//, `:${this.#ports.database}/`)
  }

  async start() {
    mkdirSync(this.#folder, { recursive: true })
    // The databases' own user passes through, and reads nothing.
    chmodSync(this.#folder, 0o711)
    await this.#endLeftovers()
    process.env.SESSION_SECRET = sessionSecret(this.#folder)
    const [front, database, appOne, appTwo, ...speak] = await freePorts(13)
    this.#ports = { front, database, apps: [appOne, appTwo] }
    process.env.PUBLIC_ORIGIN = this.address
    this.#members = names.map((_, n) => speak.slice(3 * n, 3 * n + 3))
    await this.#startNodes()
    await this.#startProxy()
    // The same for all: once, before anybody asks.
    runShown('node', ['dist/first.mjs'], { DATABASE_URL: this.databaseUrl })
    for (const [n, port] of this.#ports.apps.entries()) await this.#startApp(n, port)
    for (const n of this.#ports.apps.keys()) await this.#startWorker(n)
  }

  /** Kills a part: `app`, `worker`, `node`, `nodes` (all of them) or `proxy`. @param which of them, from 0 */
  kill(part, which = 0) {
    if (part === 'app') this.#apps[which]?.child.kill('SIGKILL')
    else if (part === 'worker') this.#workers[which]?.kill('SIGKILL')
    else if (part === 'proxy') this.#proxy?.kill('SIGKILL')
    else if (part === 'node') this.#nodes[which]?.kill()
    else for (const node of this.#nodes) node.kill()
  }

  /** Waits until every part is there again. */
  async whole() {
    for (;;) {
      const sizes = this.#nodes.map((node) => node.tell("SHOW STATUS LIKE 'wsrep_cluster_size'"))
      const answers = await Promise.all(
        this.#ports.apps.map((port) => fetch(`http://127.0.0.1:${port}/ready`).catch(() => null)),
      )
      if (sizes.every((said) => /\b3\b/.test(said)) && answers.every((answer) => answer?.ok)) return
      await pause(restMs)
    }
  }

  /** Of the edits that each database holds. */
  async checksums() {
    await this.whole()
    return this.#nodes.map((node) => node.tell('CHECKSUM TABLE tall_gable.edit, tall_gable.job'))
  }

  async stop() {
    this.#ending = true
    await Promise.all(
      [...this.#apps.map(({ child }) => child), ...this.#workers].map((child) => endChild(child)),
    )
    if (this.#proxy) await endChild(this.#proxy)
    // The last one knows that it was the last: with it the cluster begins again.
    for (const node of this.#nodes.toReversed()) await node.stop()
  }

  get #nodeFolders() {
    return names.map((name) => join(this.#folder, name))
  }

  get #appFolders() {
    return [1, 2].map((n) => join(this.#folder, `app-${n}`))
  }

  get #proxyConfig() {
    return join(this.#folder, 'proxy.cfg')
  }

  /** What a cluster left behind whose command was killed. */
  async #endLeftovers() {
    for (const folder of this.#appFolders) await endLeftovers(folder)
    const file = join(this.#folder, 'proxy.pid')
    const pid = existsSync(file) ? Number(readFileSync(file, 'utf8')) : 0
    const line = `/proc/${pid}/cmdline`
    if (pid && existsSync(line) && readFileSync(line, 'utf8').includes(this.#proxyConfig)) process.kill(pid)
    await Promise.all(this.#nodeFolders.map((folder) => new PrivateDatabase(folder).killLeftover()))
  }

  async #startNodes() {
    const folders = this.#nodeFolders
    const states = folders.map((folder) => stateOf(join(folder, 'mariadb')))
    // After a crash each knows whom it saw last, and they find together by themselves.
    const isCrashed = states.every(({ sawOthers }) => sawOthers)
    this.#first = isCrashed
      ? null
      : Math.max(
          0,
          states.findIndex(({ isSafe }) => isSafe),
        )
    const secret = folders.map((folder) => join(folder, 'database.secret')).find((file) => existsSync(file))
    this.#nodes = folders.map((folder, n) => {
      mkdirSync(folder, { recursive: true, mode: 0o700 })
      // One user for all: what a node joins with brings the others' password.
      if (secret) writeFileSync(join(folder, 'database.secret'), readFileSync(secret), { mode: 0o600 })
      return new PrivateDatabase(folder, {
        quiet: true,
        more: () => this.#galera(n),
        readyMs: nodeReadyMs,
      })
    })
    if (isCrashed) {
      await Promise.all(this.#nodes.map((node) => node.start()))
    } else {
      const [first] = this.#nodes.splice(this.#first, 1)
      this.#nodes.unshift(first)
      await first.start()
      this.#first = null
      const own = readFileSync(join(folders[0], 'database.secret'))
      for (const folder of folders) writeFileSync(join(folder, 'database.secret'), own, { mode: 0o600 })
      for (const node of this.#nodes.slice(1)) await node.start()
    }
    for (const node of this.#nodes) this.#watchNode(node)
  }

  #galera(n) {
    const [port, transfer, whole] = this.#members[n]
    const others = this.#first === n ? [] : this.#members.map(([own]) => `127.0.0.1:${own}`)
    return [
      '--binlog-format=ROW',
      '--innodb-autoinc-lock-mode=2',
      '--wsrep-on=ON',
      `--wsrep-provider=${provider}`,
      '--wsrep-cluster-name=tall-gable',
      `--wsrep-cluster-address=gcomm://${others.join(',')}`,
      `--wsrep-node-name=${names[n]}`,
      `--wsrep-node-address=127.0.0.1:${port}`,
      '--wsrep-sst-method=rsync',
      `--wsrep-sst-receive-address=127.0.0.1:${whole}`,
      // Whoever reads sees what was stored before, wherever that was.
      '--wsrep-sync-wait=1',
      `--wsrep-provider-options=${[
        `gmcast.listen_addr=tcp://127.0.0.1:${port}`,
        `ist.recv_addr=127.0.0.1:${transfer}`,
        'gcache.size=64M',
        ...soonMissed,
      ].join(';')}`,
    ]
  }

  #watchNode(node) {
    node.onDeath(() => void this.#again(() => node.restart().then(() => this.#watchNode(node))))
  }

  async #startProxy() {
    const file = this.#proxyConfig
    writeFileSync(
      file,
      proxyConfig(
        this.#ports,
        this.#nodes.map(({ url }) => Number(new URL(url).port)),
      ),
    )
    const child = spawn('haproxy', ['-db', '-f', file], { stdio: 'ignore', detached: true })
    this.#proxy = child
    writeFileSync(join(this.#folder, 'proxy.pid'), String(child.pid))
    await pause(restMs)
    if (hasEnded(child)) throw new Error(`The proxy did not start; see haproxy -c -f ${file}`)
    // Only one that has started is started again: whoever called hears of the other.
    child.once('exit', () => void this.#again(() => this.#startProxy()))
  }

  async #startApp(n, port) {
    const folder = this.#appFolders[n]
    mkdirSync(folder, { recursive: true, mode: 0o700 })
    const app = await startApp({ folder, port, databaseUrl: this.databaseUrl })
    this.#apps[n] = app
    app.child.once('exit', () => void this.#again(() => this.#startApp(n, port)))
  }

  async #startWorker(n) {
    const child = startWorker({
      folder: this.#appFolders[n],
      databaseUrl: this.databaseUrl,
      origin: this.address,
    })
    this.#workers[n] = child
    child.once('exit', () => void this.#again(() => this.#startWorker(n)))
  }

  /** Starts something again until it is there. */
  async #again(start) {
    while (!this.#ending) {
      await pause(restMs)
      try {
        await start()
        return
      } catch (error) {
        if (!this.#ending) console.error(error.message)
      }
    }
  }
}

/** What a node's folder says of how the cluster ended. */
function stateOf(data) {
  const state = join(data, 'grastate.dat')
  return {
    isSafe: existsSync(state) && /safe_to_bootstrap: 1/.test(readFileSync(state, 'utf8')),
    sawOthers: existsSync(join(data, 'gvwstate.dat')),
  }
}

/** One database is asked at a time, the others stand by; the applications share the requests. */
const proxyConfig = ({ front, database, apps }, nodes) => `global
  maxconn 4000
defaults
  timeout connect 2s
  timeout client 1h
  timeout server 1h
  timeout check 1s
  retries 3
  option redispatch
listen database
  bind 127.0.0.1:${database}
  mode tcp
  default-server check inter 500 fall 2 rise 2 on-marked-down shutdown-sessions
${nodes.map((port, n) => `  server node-${n + 1} 127.0.0.1:${port}${n > 0 ? ' backup' : ''}`).join('\n')}
listen applications
  bind 127.0.0.1:${front}
  mode http
  balance leastconn
  option forwardfor
  option httpchk
  http-check send meth GET uri /health ver HTTP/1.1 hdr Host 127.0.0.1
  default-server check inter 500 fall 2 rise 1 on-marked-down shutdown-sessions
${apps.map((port, n) => `  server app-${n + 1} 127.0.0.1:${port}`).join('\n')}
`
