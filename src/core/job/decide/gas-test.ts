import { refuse } from '../../rules/refuse';
import { type CommandOf } from '../commands';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { listGasTests } from '../sums';
import { nameOf, type Outcome } from './outcome';

/** A test with gas is allowed by somebody who has neither worked it out nor leads it. */
export function decideGasTest(
  dossier: Dossier,
  command: CommandOf<'approve-gas-test'>,
  context: Context,
): Outcome {
  const { actor } = context;
  const sums = Object.values(dossier.noted).filter(
    ({ calculation }) => calculation === 'pressure-test',
  );
  const isTheirs = sums.some(({ by }) => by === actor) || dossier.performer === actor;
  return {
    refusals: [
      ...(listGasTests(dossier).length > 0 ? [] : [refuse('no-gas-test')]),
      ...(isTheirs ? [refuse('gas-test-own', { person: nameOf(context, actor) })] : []),
    ],
    event: { ...command, kind: 'gas-test-approved' },
  };
}
