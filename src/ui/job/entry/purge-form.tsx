'use client';

import { useForm, useWatch } from 'react-hook-form';
import type { SubstanceCode } from '../../../core/gas';
import { SUBSTANCES } from '../../../core/gas/substances';
import { explainIn } from '../../../core/rules/book';
import type { PurgeNeeds } from '../../../core/space';
import { planPurge } from '../../../core/space/plan';
import { writeFigure } from '../../../core/units/quantity';
import { FANS, MOST_BENDS } from '../../../core/space/purge';
import type { EntryView } from '../../../core/job';
import { useCommand } from '../../command/use-command';
import { LIST_CLASS } from '../../kit/field';
import { NumberInput } from '../../kit/number-input';
import { useMoments } from '../../kit/moment';

type Text = Record<keyof PurgeNeeds | 'intake', string>;

const read = (text: Text): PurgeNeeds => ({
  volume_m3: Number(text.volume_m3),
  blower_m3_min: Number(text.blower_m3_min),
  bends: Number(text.bends),
  fan: text.fan as PurgeNeeds['fan'],
  mixing: Number(text.mixing),
  chimneys: Number(text.chimneys),
  gas: text.gas as SubstanceCode,
  start_pct: Number(text.start_pct),
  oxygen_pct: Number(text.oxygen_pct),
  leak_m3_min: Number(text.leak_m3_min),
});

const isWhole = ({ volume_m3, blower_m3_min, mixing }: PurgeNeeds): boolean =>
  volume_m3 > 0 && blower_m3_min > 0 && mixing > 0 && mixing <= 1;

/** The ways to a time side by side, the longest marked; or why there is none. */
function Ways({ needs, entry }: { readonly needs: PurgeNeeds; readonly entry: EntryView }) {
  const { zone } = useMoments();
  if (!isWhole(needs)) return <p className="text-sm">Volume, flow and mixing are above 0.</p>;
  const { plan, refusals } = planPurge(needs, entry.limits);
  if (!plan) {
    return (
      <ul className="text-sm text-error">
        {refusals.map(explainIn(zone)).map(({ code, says, clear }) => (
          <li key={`${code} ${says}`}>
            ▲ {says} {clear}
          </li>
        ))}
      </ul>
    );
  }
  return (
    <table className="text-sm" data-testid="purge-ways">
      <caption className="text-left">
        <strong className="font-mono">{plan.minutes} min</strong>, the longest counts:{' '}
        {plan.longest.says}. <span className="font-mono">{plan.flow_m3_min.toFixed(1)} m³/min</span>{' '}
        reach the space, <span className="font-mono">{plan.airChanges_h.toFixed(1)}</span> air
        changes an hour; oxygen tends to{' '}
        <span className="font-mono">{plan.oxygenEnd_pct.toFixed(1)} %</span>. While people are
        inside, <span className="font-mono">{entry.limits.changesLeast_h}</span> changes an hour
        want a blower of <span className="font-mono">{plan.occupied_m3_min.toFixed(1)} m³/min</span>
        , at most {MOST_BENDS.ventilate} bends, the hose aimed at a wall:{' '}
        {plan.isEnoughOccupied ? 'this one does' : '▲ this one is too small'}.
        {plan.fitWithout_min !== undefined && (
          <strong className="block">
            If the blower stops, the leak makes the air unfit within{' '}
            <span className="font-mono">{writeFigure(plan.fitWithout_min)} min</span>: everyone
            comes out at once, and nobody waits for the detector.
          </strong>
        )}
      </caption>
      <tbody>
        {plan.ways.map((way) => (
          <tr
            key={way.kind}
            data-way={way.kind}
            className={way === plan.longest ? 'font-bold' : ''}
          >
            <td>{way === plan.longest ? '►' : ''}</td>
            <td className="pr-3">{way.says}</td>
            <td className="whitespace-nowrap text-right font-mono">{Math.ceil(way.minutes)} min</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const NUMBERS = [
  ['volume_m3', 'Volume (m³)'],
  ['blower_m3_min', 'Blower (m³/min)'],
  ['bends', 'Bends in the hose'],
  ['mixing', 'Mixing, up to 1'],
  ['chimneys', 'Openings it leaves by'],
  ['start_pct', 'Gas now (% vol)'],
  ['oxygen_pct', 'Oxygen now (% vol)'],
  ['leak_m3_min', 'Leak of it (m³/min)'],
] as const;

/** Plans and starts a purge: the times are worked out as it is typed. */
export function PurgeForm({ entry }: { readonly entry: EntryView }) {
  const run = useCommand();
  const { register, handleSubmit, control } = useForm<Text>({
    defaultValues: {
      volume_m3: String(entry.space?.volume_m3 ?? ''),
      blower_m3_min: '60',
      bends: '1',
      fan: 'supply',
      mixing: '0.3',
      chimneys: '1',
      gas: 'methane',
      start_pct: '',
      oxygen_pct: '',
      leak_m3_min: '0',
      intake: '',
    },
  });
  const text = useWatch({ control }) as Text;
  const isRead = text.start_pct !== '' && text.oxygen_pct !== '';
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) =>
        void handleSubmit((text) =>
          run({ kind: 'start-purge', ...read(text), intake: text.intake }),
        )(event)
      }
    >
      <div className="flex flex-wrap gap-2">
        {NUMBERS.map(([name, words]) => (
          <NumberInput key={name} label={words} {...register(name)} />
        ))}
        <label className="flex w-44 flex-col text-sm">
          Gas to be blown out
          <select {...register('gas')} className={LIST_CLASS}>
            {Object.entries(SUBSTANCES)
              .filter(([code]) => code !== 'oxygen')
              .map(([code, { name }]) => (
                <option key={code} value={code}>
                  {name}
                </option>
              ))}
          </select>
        </label>
        <label className="flex w-36 flex-col text-sm">
          The fan
          <select {...register('fan')} className={LIST_CLASS}>
            {FANS.map((fan) => (
              <option key={fan} value={fan}>
                {fan === 'supply' ? 'blows in' : 'draws out'}
              </option>
            ))}
          </select>
        </label>
        <label className="flex grow flex-col text-sm">
          Where it takes its air
          <input {...register('intake')} required className="input input-sm w-full" />
        </label>
      </div>
      {isRead ? (
        <Ways needs={read(text)} entry={entry} />
      ) : (
        <p className="text-sm">Give the gas and the oxygen that were read: the times follow.</p>
      )}
      <button className="btn btn-primary btn-sm self-start">Start the purge</button>
    </form>
  );
}
