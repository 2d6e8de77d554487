import { refuse, type Refusal } from '../../rules/refuse';
import { requireRole } from '../authority';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { nameOf } from './outcome';

/** Refuses anyone but the performing authority whom the job names. */
export const requirePerformer = (
  dossier: Dossier,
  performer: string,
  context: Context,
): Refusal[] =>
  performer === dossier.performer
    ? requireRole(context, performer, ['performing-authority'])
    : [
        refuse('not-the-performer', {
          performer: nameOf(context, dossier.performer),
          person: nameOf(context, performer),
        }),
      ];

/** Refuses someone who does the work and would decide on its permit. */
export const requireNotPerformer = (
  dossier: Dossier,
  context: Context,
  performer = dossier.performer,
): Refusal[] =>
  context.actor === dossier.performer || context.actor === performer
    ? [refuse('performs-and-issues', { person: nameOf(context, context.actor) })]
    : [];
