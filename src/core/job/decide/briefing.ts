import { refuseBriefing, refuseOneself, refusePoint } from '../../briefing/briefing';
import { adviseWeather } from '../../briefing/weather';
import { refuse, type Refusal } from '../../rules/refuse';
import { canBrief, findAgenda } from '../briefing';
import { type CommandOf } from '../commands';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { nameOf, type Outcome } from './outcome';

/** Whoever briefs somebody else recorded the briefing, or has heard it. */
function requireHeard({ briefing }: Dossier, context: Context): Refusal[] {
  const { actor } = context;
  if (!briefing) return [refuse('briefing-missing')];
  return actor === briefing.by || actor in briefing.heard
    ? []
    : [refuse('briefer-not-briefed', { person: nameOf(context, actor) })];
}

/** Decides what was asked and answered at the briefing, and who was briefed later. */
export function decideBriefing(
  dossier: Dossier,
  command: CommandOf<'hold-briefing' | 'brief-latecomer'>,
  context: Context,
): Outcome {
  const { site, actor } = context;
  const named = { actor, nameOf: (person: string) => nameOf(context, person) };
  const early = canBrief(dossier) ? [] : [refuse('not-assessed')];
  switch (command.kind) {
    case 'hold-briefing':
      return {
        refusals: [
          ...early,
          ...command.present
            .filter((person) => !site.people.has(person))
            .map((person) => refuse('person-unknown', { person })),
          ...refuseBriefing(command, findAgenda(dossier, site), site.values, {
            ...named,
            performer: dossier.performer,
          }),
        ],
        event: { ...command, kind: 'briefing-held', told: adviseWeather(command.weather).says },
      };
    case 'brief-latecomer':
      return {
        refusals: [
          ...early,
          ...requireHeard(dossier, context),
          ...refuseOneself([command.person], named),
          ...refusePoint(command),
        ],
        event: { ...command, kind: 'latecomer-briefed' },
      };
  }
}
