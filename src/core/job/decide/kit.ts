import { refuseCylinders } from '../../kit/cylinders';
import { needsAir } from '../../kit/kit';
import { refuse } from '../../rules/refuse';
import { type CommandOf } from '../commands';
import { isRepairedUnderPressure, refuseItem } from '../kit';
import { listPapers } from '../papers';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { type Outcome } from './outcome';
import { requireNotPerformer } from './performer';

type Kit = CommandOf<
  'check-kit' | 'fail-kit' | 'count-joints' | 'check-cylinders' | 'allow-pressure-repair'
>;

/** Decides what was looked at before use, what was found unfit, and how many joints of hoses are lashed. */
export function decideKit(dossier: Dossier, command: Kit, context: Context): Outcome {
  const { site, now } = context;
  switch (command.kind) {
    case 'check-kit': {
      const { kit, air } = command;
      const rows = site.kit ?? [];
      return {
        refusals: [
          ...kit.flatMap((id) => refuseItem(id, site, now)),
          ...rows
            .filter((row) => kit.includes(row.id) && needsAir(row) && !air)
            .map(({ id, name }) => refuse('kit-no-air-test', { kit: `${id} (${name})` })),
        ],
        event: { ...command, kind: 'kit-checked' },
      };
    }
    case 'fail-kit': {
      const isKnown = [...(site.kit ?? []), ...(site.pressure ?? [])].some(
        ({ id }) => id === command.kit,
      );
      return {
        refusals: isKnown ? [] : [refuse('kit-unknown', { kit: command.kit })],
        event: { ...command, kind: 'kit-failed' },
      };
    }
    case 'count-joints': {
      const { joints, lashed } = command;
      return {
        refusals: lashed < joints ? [refuse('joint-unlashed', { joints, lashed })] : [],
        event: { ...command, kind: 'joints-counted' },
      };
    }
    case 'check-cylinders':
      return {
        refusals: refuseCylinders(
          command,
          site.values,
          listPapers(dossier, site).includes('hot-work'),
        ),
        event: { ...command, kind: 'cylinders-checked' },
      };
    case 'allow-pressure-repair':
      return {
        refusals: [
          ...(isRepairedUnderPressure(dossier) ? [] : [refuse('pressure-repair-unasked')]),
          ...requireNotPerformer(dossier, context),
          ...(Date.parse(command.until) > Date.parse(now)
            ? []
            : [refuse('pressure-repair-over', { until: command.until })]),
        ],
        event: { ...command, kind: 'pressure-repair-allowed' },
      };
  }
}
