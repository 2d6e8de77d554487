import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import { z } from 'zod';
import { parsePlantText } from '../core/plant';
import { ProgrammerFault } from '../core/result';
import type { Db } from '../db';
import { carryOut, commandSchema, listJobs } from './jobs';
import { playMorning } from './morning';
import { findPinFault, hashPin } from './pins';
import { adoptEarlierPlant, savePlant } from './plant';
import { authorisationsSchema } from '../core/people/schema';
import { registerSchema } from '../core/registers/schema';
import { adoptSite, savePerson, saveRegister } from './registers';
import { readValues } from './site-rules';

const siteSchema = z.strictObject({
  people: z.array(
    z.strictObject({
      id: z.string(),
      name: z.string(),
      employer: z.string(),
      pin: z.string(),
      authorisations: authorisationsSchema,
    }),
  ),
  registers: registerSchema,
  jobs: z.array(z.record(z.string(), z.unknown())),
});
export type DemoSite = z.infer<typeof siteSchema>;

/** Reads the demonstration site's people, registers and jobs. */
export function readDemoSite(folder = join(process.cwd(), 'demo')): DemoSite {
  return siteSchema.parse(JSON.parse(readFileSync(join(folder, 'quillmere.site.json'), 'utf8')));
}

function raiseJobs(db: Db, jobs: DemoSite['jobs']): void {
  for (const job of jobs) {
    const command = commandSchema.parse({ ...job, kind: 'raise-job' });
    const answer = carryOut(db, {
      jobId: '',
      command,
      expected: 0,
      key: nanoid(),
      actor: 'ada',
      signed: [],
    });
    if (!answer.ok)
      throw new ProgrammerFault(`a demonstration job was refused: ${JSON.stringify(answer)}`);
  }
}

/**
 * Loads the demonstration site into an empty database; leaves one that holds jobs as it is. Its jobs are only raised, or a morning
 * is played onto it, with jobs at every stage.
 */
export async function loadDemo(
  db: Db,
  { folder = join(process.cwd(), 'demo'), morning = false } = {},
): Promise<'loaded' | 'kept'> {
  if (listJobs(db).length > 0) {
    adoptEarlierPlant(db);
    adoptSite(db);
    return 'kept';
  }
  const site = readDemoSite(folder);
  const plant = parsePlantText(readFileSync(join(folder, 'quillmere.plant.json'), 'utf8'));
  if (!plant.ok) throw new ProgrammerFault(JSON.stringify(plant.problems));
  savePlant(db, {
    document: plant.value,
    expected: 0,
    note: 'as delivered',
    actor: 'site set-up',
  });
  saveRegister(db, 'registers', site.registers);
  for (const { pin, ...person } of site.people) {
    const fault = findPinFault(pin, readValues(db).values);
    if (fault !== undefined) throw new ProgrammerFault(`${person.id}: ${fault}`);
    savePerson(db, { ...person, pinHash: await hashPin(pin) });
  }
  const raise = (into: Db) => raiseJobs(into, site.jobs);
  if (morning) playMorning(db, raise, folder);
  else raise(db);
  return 'loaded';
}
