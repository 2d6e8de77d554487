import type { JobEvent } from '../core/job';
import type { RegisterRow } from '../core/registers/schema';
import type { Db } from '../db';
import { readRegisters, saveRegisterChange } from './registers';

/** What was found unfit on one job is out of use on all: its row says why, until somebody has put it right. */
export function tagUnfit(tx: Db, event: JobEvent, actor: string): void {
  if (event.kind !== 'kit-failed') return;
  const { registers } = readRegisters(tx);
  const { kit: id, seen: unsafe } = event;
  for (const name of ['kit', 'pressure'] as const) {
    const row: RegisterRow | undefined = registers[name].find((one) => one.id === id);
    if (row) saveRegisterChange(tx, { name, put: [{ ...row, unsafe }], remove: [] }, actor);
  }
}
