#!/usr/bin/env node
import { spawnSync } from 'node:child_process'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'

const here = join(dirname(fileURLToPath(import.meta.url)), '..')
const tsx = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href
const { status } = spawnSync(
  process.execPath,
  ['--import', tsx, join(here, 'cli', 'main.ts'), ...process.argv.slice(2)],
  {
    stdio: 'inherit',
    env: { ...process.env, TSX_TSCONFIG_PATH: join(here, 'tsconfig.json') },
  },
)
process.exit(status ?? 1)
