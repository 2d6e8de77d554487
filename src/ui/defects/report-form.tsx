'use client';

import { useState } from 'react';
import { toast } from 'sonner';
import type { StoppedJob } from '../../core/defects/answer';
import type { DefectCommand } from '../../core/defects/commands';
import { DEFECTS, type DefectKind } from '../../core/defects/kinds';
import type { ReportableDevice } from '../../core/defects/line';
import { nameDefect } from '../../core/defects/record';
import type { Posted } from '../command/post';
import { useSigned } from '../command/use-signed';
import { Combobox } from '../kit/combobox';
import { StoppedJobs } from './stopped-jobs';
import { TakePicture } from '../photos/take-picture';
import { daysAfter } from '../../core/hours';

interface Answer extends Posted {
  readonly number?: number;
  readonly stopped?: readonly StoppedJob[];
}

/** What the report has done, and what is to be done now. */
function Reported({
  answer,
  device,
  names,
  onMore,
}: {
  readonly answer: Answer;
  readonly device: string;
  readonly names: Readonly<Record<string, string>>;
  readonly onMore: () => void;
}) {
  const { number = 0, stopped = [] } = answer;
  return (
    <div className="flex flex-col gap-3" role="status">
      <p className="text-xl font-bold">
        {nameDefect(number)} is reported. It counts for every plan from now on.
      </p>
      <StoppedJobs stopped={stopped} why={`it stands on ${device}`} names={names} />
      <p>Hang a notice at the device if you can, and tell the control room.</p>
      <button type="button" className="btn h-12" onClick={onMore}>
        Report something else
      </button>
    </div>
  );
}

/** Reports what is wrong with a device: which, what, what was seen, a photograph; on a phone at the plant, by anybody. */
export function ReportForm({
  devices,
  names,
  now,
  start,
  job,
}: {
  readonly devices: readonly ReportableDevice[];
  readonly names: Readonly<Record<string, string>>;
  readonly now: string;
  /** The device that the page was opened for. */
  readonly start?: string | undefined;
  /** The job on which it was found. */
  readonly job?: string | undefined;
}) {
  const [device, setDevice] = useState(devices.find(({ id }) => id === start)?.id);
  const [defect, setDefect] = useState<DefectKind>();
  const [photo, setPhoto] = useState<string>();
  const [answer, setAnswer] = useState<Answer>();
  const { give, shown } = useSigned<DefectCommand, Answer>({
    url: '/api/defects',
    names,
    signersOf: () => [],
    changed: 'Somebody reported something meanwhile. Nothing of yours was kept: report it again.',
  });
  const chosen = devices.find(({ id }) => id === device);
  const fits = chosen?.fits ?? [];
  const kind = fits.find((one) => one === defect);
  if (answer && device !== undefined) {
    const onMore = () => {
      setAnswer(undefined);
      setDevice(undefined);
      setDefect(undefined);
      setPhoto(undefined);
    };
    return <Reported answer={answer} device={device} names={names} onMore={onMore} />;
  }
  const send = (form: FormData) => {
    if (device === undefined || kind === undefined) return;
    const read = (name: string) => ((form.get(name) as string | null) ?? '').trim();
    const days = Number(read('days'));
    give(
      {
        kind: 'report-defect',
        device,
        defect: kind,
        seen: read('seen'),
        ...(photo === undefined ? {} : { photo }),
        ...(job === undefined ? {} : { job }),
        ...(days > 0 ? { until: daysAfter(now, days) } : {}),
        ...(read('standsIn') === '' ? {} : { standsIn: read('standsIn') }),
      },
      setAnswer,
    );
  };
  return (
    <form
      aria-label="Report a defect"
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        send(new FormData(event.currentTarget));
      }}
    >
      <Combobox
        label="Which device"
        isLarge
        options={devices}
        value={device}
        onPick={(id) => {
          setDevice(id);
          setDefect(undefined);
        }}
        empty="search by tag or name"
      />
      {chosen && chosen.known.length > 0 && (
        <p className="border-l-4 border-warning pl-2">
          Reported already: {chosen.known.join('; ')}
        </p>
      )}
      {chosen && (
        <fieldset className="flex flex-col gap-1">
          <legend className="mb-1">What is wrong: it…</legend>
          {fits.map((one) => (
            <label
              key={one}
              className={`flex min-h-12 cursor-pointer items-center gap-3 rounded-box px-3 py-1 ${kind === one ? 'bg-base-300 font-bold' : 'bg-base-200'}`}
            >
              <input
                type="radio"
                name="defect"
                className="radio"
                required
                checked={kind === one}
                onChange={() => setDefect(one)}
              />
              {DEFECTS[one].label}
            </label>
          ))}
        </fieldset>
      )}
      {kind && <p className="text-sm">{DEFECTS[kind].means}</p>}
      {kind && (
        <>
          <label className="flex flex-col">
            What you saw, and how you noticed
            <textarea
              name="seen"
              rows={3}
              required
              maxLength={2000}
              className="textarea w-full text-base"
            />
          </label>
          <TakePicture
            isLarge
            onPicture={async (digest, picture) => {
              const sent = await fetch('/api/photos', { method: 'POST', body: picture });
              if (!sent.ok) {
                const { error } = (await sent.json()) as Posted;
                toast.error(error ?? 'The picture was not taken in. Report without it.');
                return false;
              }
              setPhoto(digest);
              return true;
            }}
          />
          <details>
            <summary className="cursor-pointer py-2">
              If you know: until when, and what stands in
            </summary>
            <div className="flex flex-col gap-3">
              <label className="flex flex-col">
                Expected to be repaired within (days)
                <input
                  name="days"
                  type="number"
                  min="0"
                  max="365"
                  step="any"
                  className="input h-11 w-full"
                />
              </label>
              <label className="flex flex-col">
                What stands in for it meanwhile
                <input name="standsIn" maxLength={2000} className="input h-11 w-full" />
              </label>
            </div>
          </details>
          <button className="btn btn-primary h-14 text-lg">Report it</button>
        </>
      )}
      {shown}
    </form>
  );
}
