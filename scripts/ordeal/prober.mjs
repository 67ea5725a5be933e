// Asks an address over and over, from a thread with nothing else to do; told "stop" it answers the times in ms.
import { parentPort, workerData } from 'node:worker_threads'

// What this thread loads the first time is nobody's work.
for (let k = 0; k < 5; k++) await (await fetch(workerData)).text()
const times = []
let stopped = false
parentPort.on('message', () => {
  stopped = true
})
while (!stopped) {
  const begin = performance.now()
  await (await fetch(workerData)).text()
  times.push(performance.now() - begin)
  await new Promise((go) => setTimeout(go, 20))
}
parentPort.postMessage(times)
parentPort.close()
