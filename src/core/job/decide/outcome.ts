import { type Refusal } from '../../rules/refuse';
import { type JobEvent } from '../events';
import { type Context } from '../site';

export type Outcome = { readonly refusals: readonly Refusal[]; readonly event: JobEvent };

export const nameOf = (context: Context, id: string) => context.site.people.get(id)?.name ?? id;
