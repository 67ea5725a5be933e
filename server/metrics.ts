import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'

const holder = globalThis as { tallGableMetrics?: ReturnType<typeof make> }

const seconds = [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 15, 60]

function make() {
  const registry = new Registry()
  const registers = [registry]
  collectDefaultMetrics({ register: registry, prefix: 'tall_gable_' })
  return {
    registry,
    requestSeconds: new Histogram({
      name: 'tall_gable_request_seconds',
      help: 'Time to the answer of a route, by route, method and status.',
      labelNames: ['route', 'status'],
      buckets: seconds,
      registers,
    }),
    statementSeconds: new Histogram({
      name: 'tall_gable_statement_seconds',
      help: 'Time of a database statement, by its name.',
      labelNames: ['statement'],
      buckets: seconds,
      registers,
    }),
    taskSeconds: new Histogram({
      name: 'tall_gable_task_seconds',
      help: 'Time of a task off the event loop with its wait, by task and outcome.',
      labelNames: ['task', 'outcome'],
      buckets: seconds,
      registers,
    }),
    tasksWaiting: new Gauge({
      name: 'tall_gable_tasks_waiting',
      help: 'Tasks that wait for a thread, by lane.',
      labelNames: ['lane'],
      registers,
    }),
    work: new Gauge({
      name: 'tall_gable_work',
      help: 'Long work in the database, of all processes: by whether it waits, runs, or was set aside.',
      labelNames: ['state'],
      registers,
    }),
    openStreams: new Gauge({
      name: 'tall_gable_open_streams',
      help: 'Screens that listen for changes.',
      registers,
    }),
    editsSaved: new Counter({
      name: 'tall_gable_edits_saved_total',
      help: 'Edits stored.',
      registers,
    }),
  }
}

/** What this process counts, in Prometheus' text form at `/metrics`. */
export const {
  registry,
  requestSeconds,
  statementSeconds,
  taskSeconds,
  tasksWaiting,
  work,
  openStreams,
  editsSaved,
} = (holder.tallGableMetrics ??= make())
