'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { post, type Posted } from '../command/post';
import { Faults } from '../kit/faults';
import { ChoiceField, PinField, SmallForm, TextField } from '../kit/field';
import { Day } from '../kit/moment';
import { Panel } from '../kit/panel';

/** A device that is enrolled, as the page shows it. */
export interface ShownDevice {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly by: string;
  readonly at: string;
}

const KINDS = [
  { id: 'desk', label: 'a desk' },
  { id: 'gate', label: 'a screen at a gate or hatch' },
  { id: 'phone', label: 'a phone' },
];

/** Devices on which names are shown before anybody signs in, and signing everybody out. */
export function Devices({
  devices,
  own,
  isDemo,
}: {
  readonly devices: readonly ShownDevice[];
  /** The device at hand, by name, where it is enrolled. */
  readonly own: string | undefined;
  /** On the demonstration names are shown on every device. */
  readonly isDemo: boolean;
}) {
  const router = useRouter();
  const [answer, setAnswer] = useState<Posted>();
  const send = async (url: string, data: object) => {
    const done = await post(url, data);
    setAnswer(done);
    if (done.ok) router.refresh();
  };
  return (
    <Panel title="Devices">
      <p className="text-sm">
        {own === undefined
          ? isDemo
            ? 'This device is not enrolled. On a site of your own, whoever signs in on it types their short name.'
            : 'This device is not enrolled: whoever signs in here types their short name.'
          : `This device is enrolled as ${own}: names are shown before anybody signs in.`}
      </p>
      <ul aria-label="Devices that are enrolled" className="text-sm">
        {devices.map(({ id, name, kind, by, at }) => (
          <li key={id} className="border-t border-base-300 py-1">
            {name} ({kind}), by {by}, <Day at={at} />
            <SmallForm
              button={`End the enrolment of ${name}`}
              onSend={(read) => void send('/api/devices', { kind: 'end', id, pin: read('pin') })}
            >
              <PinField />
            </SmallForm>
          </li>
        ))}
      </ul>
      <SmallForm
        button="Enrol this device"
        onSend={(read) =>
          void send('/api/devices', {
            kind: 'enrol',
            device: { name: read('name'), kind: read('kind') },
            pin: read('pin'),
          })
        }
      >
        <TextField label="Where it stands, or whose it is" name="name" />
        <ChoiceField label="It is" name="kind" options={KINDS} value="desk" />
        <PinField />
      </SmallForm>
      <SmallForm
        button="Sign everybody else out everywhere"
        onSend={(read) => void send('/api/people/sign-out', { pin: read('pin') })}
      >
        <PinField />
      </SmallForm>
      <Faults answer={answer} />
      {answer?.ok && (
        <p role="status" className="text-sm">
          Done.
        </p>
      )}
    </Panel>
  );
}
