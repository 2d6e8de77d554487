import { refuse } from '../../rules/refuse';
import { type CommandOf } from '../commands';
import { type Context } from '../site';
import { type Outcome } from './outcome';

/** Someone allows by name that a device is out of action, until when, and says what guards instead. */
export function decideBypass(
  command: CommandOf<'allow-bypass'>,
  { site: { graph, values }, now }: Context,
): Outcome {
  const { device, until } = command;
  const isKnown =
    graph.linkAt.has(device) || graph.plant.gauges.some((gauge) => gauge.id === device);
  const most = values['bypass-most-h'];
  const hours = (Date.parse(until) - Date.parse(now)) / 3_600_000;
  return {
    refusals: [
      ...(isKnown ? [] : [refuse('device-unknown', { device })]),
      ...(hours > 0 && hours <= most ? [] : [refuse('bypass-until-wrong', { until, most })]),
    ],
    event: { ...command, kind: 'bypass-allowed' },
  };
}
