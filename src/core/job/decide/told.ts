import { refuse, type Refusal } from '../../rules/refuse';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { nameOf } from './outcome';

/** Refuses someone whose lock was taken off and who has not been told. */
export function requireTold(dossier: Dossier, person: string, context: Context): Refusal[] {
  const here = dossier.absent[person];
  const job = here && !here.told ? context.jobId : context.others.untold.get(person);
  return job === undefined
    ? []
    : [refuse('owner-not-told', { person: nameOf(context, person), job })];
}
