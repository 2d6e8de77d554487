import { parentPort } from 'node:worker_threads';
import { doTask, type Task } from './tasks';

/** Does tasks one after the other, beside the server. */
parentPort?.on('message', ({ id, task }: { readonly id: number; readonly task: Task }) => {
  void Promise.resolve()
    .then(() => doTask(task))
    .then(
      (value) => parentPort?.postMessage({ id, value }),
      (error: unknown) => parentPort?.postMessage({ id, error: String(error) }),
    );
});
