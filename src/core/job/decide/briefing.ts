import { refuseBriefing, refusePoint } from '../../briefing/briefing';
import { adviseWeather } from '../../briefing/weather';
import { refuse } from '../../rules/refuse';
import { canBrief, findAgenda } from '../briefing';
import { type CommandOf } from '../commands';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { nameOf, type Outcome } from './outcome';

/** Decides what was asked and answered at the briefing, and who was briefed later. */
export function decideBriefing(
  dossier: Dossier,
  command: CommandOf<'hold-briefing' | 'brief-latecomer'>,
  context: Context,
): Outcome {
  const { site } = context;
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
          ...(dossier.briefing ? [] : [refuse('briefing-missing')]),
          ...refusePoint(command),
        ],
        event: { ...command, kind: 'latecomer-briefed' },
      };
  }
}
