'use client';

import { useEffect, useState } from 'react';
import type { AirLog, AirSeries, AirUse } from '../../../core/gas';
import { SUBSTANCES } from '../../../core/gas/substances';
import { AIR_USE_WORDS } from '../../../core/gas/verdict';
import { post, type Posted } from '../../command/post';
import { useCommand } from '../../command/use-command';
import { PickField } from '../../kit/combobox';
import { ChoiceField, SmallForm, TextField } from '../../kit/field';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';
import { AirChart } from './air-chart';
import { useMoments } from '../../kit/moment';

const SHOWN_MIN = 60;
const ASKED_EVERY_MS = 2000;

/** The log of the air, asked for again and again while it is on the screen. */
function useAirLog(jobId: string, isShown: boolean): AirLog | undefined {
  const [log, setLog] = useState<AirLog>();
  useEffect(() => {
    if (!isShown) return;
    const ask = async () => {
      const answer = await fetch(`/api/jobs/${jobId}/air-log?minutes=${SHOWN_MIN}`).catch(
        () => undefined,
      );
      if (answer?.ok) setLog((await answer.json()) as AirLog);
    };
    void ask();
    const timer = setInterval(() => void ask(), ASKED_EVERY_MS);
    return () => clearInterval(timer);
  }, [jobId, isShown]);
  return log;
}

function describeTrend({ trend, unit }: AirSeries): string {
  if (!trend) return 'too few readings';
  const { perMinute, toLimit_min, isSteady } = trend;
  if (isSteady) return 'steady';
  const way = `${perMinute > 0 ? '↗' : '↘'} ${Math.abs(perMinute).toPrecision(2)} ${unit}/min`;
  return toLimit_min === undefined || toLimit_min > 600
    ? way
    : `${way}, at the limit in ${Math.ceil(toLimit_min)} min`;
}

function LogTable({ log }: { readonly log: AirLog }) {
  const { seconds } = useMoments();
  return (
    <table className="text-sm">
      <caption className="sr-only">Newest reading of each sensor</caption>
      <thead>
        <tr className="text-left">
          <th>Detector</th>
          <th>Gas</th>
          <th>Now</th>
          <th>Limit</th>
          <th>Goes</th>
        </tr>
      </thead>
      <tbody>
        {log.series.map((one) => {
          const newest = one.points.at(-1);
          return (
            <tr
              key={`${one.device} ${one.gas}`}
              data-sensor={`${one.device} ${one.gas}`}
              className="border-t border-base-300"
            >
              <td className="pr-3 font-mono">{one.device}</td>
              <td className="pr-3">{SUBSTANCES[one.gas].name}</td>
              <td className="pr-3 font-mono">
                {newest
                  ? `${newest.value} ${one.unit} at ${seconds(new Date(newest.at).toISOString())}`
                  : 'nothing heard'}
              </td>
              <td className="pr-3 font-mono">
                {one.limits.map((limit) => Number(limit.toPrecision(3))).join(' / ')}
              </td>
              <td>{describeTrend(one)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

interface Read extends Posted {
  readonly taken?: number;
  readonly alarms?: readonly string[];
}

/** A stand-in detector reads clean air, a leak, or oxygen pushed out, when this is practice. */
function StandIn({ devices }: { readonly devices: readonly string[] }) {
  const [said, setSaid] = useState('');
  const send = (device: string, scene: string) =>
    void post<Read>('/api/stand-ins/gas', {
      device,
      scene,
    }).then((answer: Read) =>
      setSaid(
        answer.ok
          ? `${answer.taken ?? 0} readings${(answer.alarms ?? []).length > 0 ? ', ALARM' : ''}`
          : [answer.error, ...(answer.problems ?? [])].join(' '),
      ),
    );
  return (
    <SmallForm
      button="Have the stand-in read"
      onSend={(read) => send(read('stand-in'), read('scene'))}
    >
      <PickField
        label="Stand-in detector"
        name="stand-in"
        options={devices.map((id) => ({ id, label: id }))}
      />
      <ChoiceField
        label="Two minutes of"
        name="scene"
        options={[
          { id: 'calm', label: 'clean air' },
          { id: 'leak', label: 'a leak' },
          { id: 'inert', label: 'oxygen pushed out' },
        ]}
      />
      <output className="text-sm">{said}</output>
    </SmallForm>
  );
}

/** Detectors that stand at the work: what they read, as a table and charts; placing and taking them. */
export function AirLogPanel(props: DossierProps) {
  const run = useCommand();
  const { instant } = useMoments();
  const { view, choices, jobId, practice } = props;
  const { detectors, hotWork } = view.dossier;
  const devices = [...new Set([...Object.keys(detectors), ...(hotWork.monitors?.devices ?? [])])];
  const log = useAirLog(jobId, devices.length > 0);
  if (view.air.length === 0) return null;
  const able = choices.instruments.filter(({ id, detector }) => detector && !devices.includes(id));
  const until = log ? Date.parse(log.now) : 0;
  return (
    <Panel title="Log of the air" spot="air-log">
      {devices.length === 0 && (
        <p className="text-sm">
          No detector stands here. One that does sends what it reads, and stops the job by itself.
        </p>
      )}
      {log?.faults.map(({ device, place, words, since }) => (
        <p
          key={device}
          role="alert"
          data-detector-fault={device}
          className="border-l-4 border-error pl-2"
        >
          <strong className="font-mono">{device}</strong>, {place}: {words}. Last heard{' '}
          {instant(since)}.
        </p>
      ))}
      {log && devices.length > 0 && <LogTable log={log} />}
      <div className="grid gap-2 xl:grid-cols-2">
        {log?.series
          .filter(({ points }) => points.length > 1)
          .map((series) => (
            <figure key={`${series.device} ${series.gas}`}>
              <figcaption className="text-sm">
                {series.device}, {series.place}: {SUBSTANCES[series.gas].name} ({series.unit})
              </figcaption>
              <AirChart
                series={series}
                events={log.events}
                from={until - SHOWN_MIN * 60_000}
                until={until}
              />
            </figure>
          ))}
      </div>
      {Object.entries(detectors).map(([device, { place, use }]) => (
        <p key={device} data-detector={device} className="flex items-center gap-2 text-sm">
          <span className="font-mono">{device}</span> {place}, for {AIR_USE_WORDS[use]}
          <button
            className="btn btn-sm"
            onClick={() => void run({ kind: 'take-detector', device })}
          >
            {device} is taken away
          </button>
        </p>
      ))}
      <SmallForm
        button="Record where it stands"
        onSend={(read) =>
          void run({
            kind: 'place-detector',
            device: read('device'),
            use: read('use') as AirUse,
            place: read('place'),
          })
        }
      >
        <PickField
          label="Detector"
          name="device"
          options={able.map(({ id, name }) => ({ id, label: `${id} ${name}` }))}
        />
        <ChoiceField
          label="For"
          name="use"
          options={view.air.map(({ use }) => ({ id: use, label: AIR_USE_WORDS[use] }))}
        />
        <TextField label="Where it stands" name="place" />
      </SmallForm>
      {practice && devices.length > 0 && <StandIn devices={devices} />}
    </Panel>
  );
}
