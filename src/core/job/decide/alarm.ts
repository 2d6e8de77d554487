import { refuse } from '../../rules/refuse';
import { type CommandOf } from '../commands';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { type Outcome } from './outcome';

const isKnown = ({ site: { graph } }: Context, id: string) =>
  graph.sectionAt.has(id) ||
  graph.linkAt.has(id) ||
  graph.outletAt.has(id) ||
  graph.plant.gauges.some((gauge) => gauge.id === id);

/** Anyone may raise an alarm at any time; the work is held until its cause is found and everything is proved again. */
export function decideAlarm(
  dossier: Dossier,
  command: CommandOf<'raise-alarm' | 'clear-alarm'>,
  context: Context,
): Outcome {
  if (command.kind === 'clear-alarm') {
    return {
      refusals: dossier.isolation.alarm ? [] : [refuse('no-alarm')],
      event: { ...command, kind: 'alarm-cleared' },
    };
  }
  const { where } = command;
  return {
    refusals: isKnown(context, where) ? [] : [refuse('place-unknown', { place: where })],
    event: { ...command, kind: 'alarm-raised' },
  };
}
