import { spawnSync } from 'node:child_process'
import { mkdtempSync, chownSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** A user that may do less than root, and a home of its own. */
export interface LesserUser {
  readonly uid: number
  readonly gid: number
  readonly home: string
}

const idOf = (flag: string) => Number(spawnSync('id', [flag, 'nobody'], { encoding: 'utf8' }).stdout)

/**
 * Who prints instead of root: `nobody`, where this machine has that user and it can read the file; null where this
 * process is not root anyway, or nobody can't.
 */
export function lesserUser(file: string): LesserUser | null {
  if (process.getuid?.() !== 0) return null
  const [uid, gid] = [idOf('-u'), idOf('-g')]
  if (!uid || !gid) return null
  const readable = spawnSync('test', ['-r', file], { uid, gid })
  if (readable.status !== 0) return null
  const home = mkdtempSync(join(tmpdir(), 'tall-gable-print-'))
  chownSync(home, uid, gid)
  return { uid, gid, home }
}
