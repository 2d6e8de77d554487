import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { logFault, perProcess } from '../../db';
import { doTask, type ResultOf, type Task } from './tasks';

/** The longest that a task may take, and the most memory (MB): what takes more is stopped, and nobody waits for it. */
const MOST_MS = 30_000;
const MOST_MB = 1024;
/** The most tasks that wait for one person: the oldest of them is given up for the newest. */
const MOST_WAITING = 4;

interface Waiting {
  readonly task: Task;
  readonly done: (value: ResultOf[Task['kind']]) => void;
  readonly failed: (error: Error) => void;
}

/** A task that took too long, needed too much, or was given up for a newer one. */
export class GivenUp extends Error {
  override readonly name = 'GivenUp';
}

interface Answer {
  readonly id: number;
  readonly value?: ResultOf[Task['kind']];
  readonly error?: string;
}

/** Does long work beside the server: one task at a time, each person in their turn, however many one of them sends. */
class Helper {
  private worker: Worker | undefined;
  private readonly lanes = new Map<string, Waiting[]>();
  private current: (Waiting & { readonly id: number; readonly timer: NodeJS.Timeout }) | undefined;
  private count = 0;

  ask(who: string, waiting: Waiting): void {
    const lane = this.lanes.get(who) ?? [];
    // Set anew, the lane goes to the end of the turn.
    if (lane.length === 0) this.lanes.set(who, lane);
    lane.push(waiting);
    if (lane.length > MOST_WAITING) lane.shift()?.failed(new GivenUp('a newer one was asked for'));
    this.goOn();
  }

  private goOn(): void {
    if (this.current) return;
    const [next] = this.lanes;
    if (!next) return;
    const [who, lane] = next;
    const waiting = lane.shift();
    this.lanes.delete(who);
    // Whoever has more waits until everyone else has had a turn.
    if (lane.length > 0) this.lanes.set(who, lane);
    if (!waiting) return this.goOn();
    const id = ++this.count;
    const timer = setTimeout(() => this.giveUp('it takes too long'), MOST_MS);
    this.current = { ...waiting, id, timer };
    this.open().postMessage({ id, task: waiting.task });
  }

  private open(): Worker {
    if (this.worker) return this.worker;
    const file = join(process.cwd(), 'src', 'server', 'beside', 'helper.ts');
    // The compiler of the command line reads the source as it stands: nothing has to be bundled for it.
    const begin = `require('tsx/cjs/api').register(); require(${JSON.stringify(file)});`;
    const worker = new Worker(begin, {
      eval: true,
      execArgv: [],
      resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
    });
    worker.on('message', (answer: Answer) => this.hear(answer));
    worker.on('error', (error) => {
      logFault('the helper beside the server stopped', error);
      this.giveUp('it needs too much memory');
    });
    worker.unref();
    this.worker = worker;
    return worker;
  }

  private take() {
    const { current } = this;
    if (current) clearTimeout(current.timer);
    this.current = undefined;
    return current;
  }

  private hear({ id, value, error }: Answer): void {
    if (this.current?.id !== id) return;
    const current = this.take();
    if (value !== undefined) current?.done(value);
    else current?.failed(new Error(error));
    this.goOn();
  }

  private giveUp(why: string): void {
    const { worker } = this;
    this.worker = undefined;
    void worker?.terminate();
    this.take()?.failed(new GivenUp(why));
    this.goOn();
  }
}

const shared = perProcess('helper', (): { helper?: Helper } => ({}));

/** From now on long work is done beside the server, and not where it is asked for. */
export const workBeside = (): void => void (shared.helper ??= new Helper());

/** Does a task for a person. Throws `GivenUp` when it takes too long, needs too much memory, or the person asks for too much at once. */
export function doFor<Kind extends Task['kind']>(
  who: string,
  task: Extract<Task, { kind: Kind }>,
): Promise<ResultOf[Kind]> {
  const beside = shared.helper;
  if (!beside) return Promise.resolve(doTask(task)) as Promise<ResultOf[Kind]>;
  return new Promise((resolve, reject) =>
    beside.ask(who, { task, done: (value) => resolve(value as ResultOf[Kind]), failed: reject }),
  );
}
