import pino from 'pino'

export const log = pino({ name: 'tall-gable', level: process.env['LOG_LEVEL'] ?? 'info' })
