import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import pino, { multistream, type Logger, type StreamEntry } from 'pino'
import { createStream } from 'rotating-file-stream'

const holder = globalThis as { tallGableLog?: Logger }

/** A file that is put aside when it is full; the last ones are kept, readable by their owner alone. */
function rotated(folder: string): StreamEntry {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  return {
    level: 'trace',
    stream: createStream(process.env['LOG_FILE'] ?? 'app.log', {
      path: folder,
      size: '10M',
      maxFiles: 8,
      mode: 0o600,
    }),
  }
}

function make(): Logger {
  const folder = process.env['TALL_GABLE_DATA']
  const streams: StreamEntry[] = folder ? [rotated(join(folder, 'logs'))] : []
  if (!folder || process.env['TALL_GABLE_VERBOSE'] === '1')
    streams.push({ level: 'trace', stream: process.stderr })
  return pino(
    {
      base: { pid: process.pid },
      level: process.env['LOG_LEVEL'] ?? 'info',
      timestamp: pino.stdTimeFunctions.isoTime,
    },
    multistream(streams),
  )
}

/** One JSON line an event: to `logs` in the data folder, and to the terminal where that is wanted or there is no folder. */
export const log = (holder.tallGableLog ??= make())
