import { needsAir } from '../../kit/kit';
import { refuse } from '../../rules/refuse';
import { type CommandOf } from '../commands';
import { refuseItem } from '../kit';
import { type Context } from '../site';
import { type Outcome } from './outcome';

type Kit = CommandOf<'check-kit' | 'fail-kit' | 'count-joints'>;

/** Decides what was looked at before use, what was found unfit, and how many joints of hoses are lashed. */
export function decideKit(command: Kit, { site, now }: Context): Outcome {
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
  }
}
