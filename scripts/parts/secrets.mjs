import { readFileSync } from 'node:fs'

/** What the application is told that nobody else should read. */
const secrets = ['DATABASE_URL', 'SESSION_SECRET', 'MAIL_URL', 'METRICS_SECRET']

/** Takes each from the file that `NAME_FILE` names, where that is set: an environment is easily seen, a file is not. */
export function readSecretFiles() {
  for (const name of secrets) {
    const file = process.env[`${name}_FILE`]
    if (!file) continue
    try {
      process.env[name] = readFileSync(file, 'utf8').trim()
    } catch {
      console.error(`${name}_FILE names ${file}, which cannot be read.`)
      process.exit(1)
    }
  }
}
