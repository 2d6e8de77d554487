import { refuseBriefing, refusePoint } from '../../briefing/briefing';
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
  const oneself = (asked: readonly string[]) =>
    asked.includes(actor) ? [refuse('asks-oneself', { person: nameOf(context, actor) })] : [];
  const early = canBrief(dossier) ? [] : [refuse('not-assessed')];
  switch (command.kind) {
    case 'hold-briefing': {
      const { performer } = dossier;
      return {
        refusals: [
          ...early,
          ...command.present
            .filter((person) => !site.people.has(person))
            .map((person) => refuse('person-unknown', { person })),
          ...(command.present.includes(performer)
            ? []
            : [refuse('leader-not-briefed', { person: nameOf(context, performer) })]),
          ...oneself(command.points.map(({ of }) => of)),
          ...refuseBriefing(command, findAgenda(dossier, site), site.values, (person) =>
            nameOf(context, person),
          ),
        ],
        event: { ...command, kind: 'briefing-held', told: adviseWeather(command.weather).says },
      };
    }
    case 'brief-latecomer':
      return {
        refusals: [
          ...early,
          ...requireHeard(dossier, context),
          ...oneself([command.person]),
          ...refusePoint(command),
        ],
        event: { ...command, kind: 'latecomer-briefed' },
      };
  }
}
