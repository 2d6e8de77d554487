'use client';

import { listHanging } from '../../core/job/hanging';
import { listOn } from '../../core/job/permit-record';
import { useCommand } from '../command/use-command';
import { PickField } from '../kit/combobox';
import { ChoiceField, SmallForm, TextField } from '../kit/field';
import { Panel } from '../kit/panel';
import { AddPhoto } from '../photos/add-photo';
import { listFree } from './box-panel';
import type { DossierProps } from './types';

const FINDING_NAMES = { 'key-lost': 'its key is lost', damaged: 'it is damaged' } as const;

/** An alarm that stands: who has to come off, and the cause that has to be found. */
function Alarm({ view, names }: DossierProps) {
  const run = useCommand();
  const { alarm } = view.dossier.isolation;
  if (!alarm) return null;
  const { permit } = view.dossier;
  const on = Object.keys(listOn(permit));
  return (
    <Panel title="Alarm" spot="alarm">
      <p role="alert" className="border-2 border-error p-2">
        <strong>
          {alarm.where}: {alarm.seen}
        </strong>{' '}
        ({names[alarm.by] ?? alarm.by}).{' '}
        {on.length > 0
          ? `Call off by name: ${on.map((id) => names[id] ?? id).join(', ')}.`
          : 'Nobody is signed on.'}
      </p>
      <AddPhoto of="alarm" subject={alarm.where} />
      <SmallForm
        button="Record the cause and clear the alarm"
        onSend={(read) => void run({ kind: 'clear-alarm', found: read('found') })}
      >
        <TextField label="Cause, and what was done about it" name="found" />
      </SmallForm>
    </Panel>
  );
}

/** Locks found unfit: replaced where they hang, made good when they are off. */
function UnfitLocks(props: DossierProps) {
  const run = useCommand();
  const { isolation } = props.view.dossier;
  const unfit = Object.entries(isolation.unfit);
  if (unfit.length === 0) return null;
  return (
    <Panel title="Unfit locks" spot="unfit-lock">
      {unfit.map(([lock, { finding, seen }]) => {
        const link = Object.entries(isolation.locked).find(([, hung]) => hung.lock === lock)?.[0];
        return (
          <div key={lock} data-unfit={lock}>
            <p>
              <strong className="font-mono">{lock}</strong>: {FINDING_NAMES[finding]} ({seen})
            </p>
            {link === undefined ? (
              <SmallForm
                button={`Record that ${lock} is fit again`}
                onSend={(read) => void run({ kind: 'renew-lock', lock, done: read('done') })}
              >
                <TextField label="What was done" name="done" />
              </SmallForm>
            ) : (
              <SmallForm
                button={`New lock on ${link}, then ${lock} off`}
                onSend={(read) =>
                  void run({ kind: 'replace-lock', link, lock: read('lock'), how: read('how') })
                }
              >
                <PickField label="New lock" name="lock" options={listFree(props, 'point')} />
                <TextField label="How the old one came off" name="how" />
              </SmallForm>
            )}
          </div>
        );
      })}
    </Panel>
  );
}

/** An alarm that stands, and locks that are not fit: they come before anything else. */
export const AlarmPanels = (props: DossierProps) => (
  <>
    <Alarm {...props} />
    <UnfitLocks {...props} />
  </>
);

/** Anyone can say that something is amiss once the isolation has begun. */
export const canReport = ({ dossier, stage }: DossierProps['view']): boolean =>
  dossier.isolation.told !== undefined && stage !== 'closed';

/** The forms by which anyone says that something is amiss: an alarm, or a lock. */
export function ReportPanel(props: DossierProps) {
  const run = useCommand();
  const hanging = listHanging(props.view.dossier);
  return (
    <Panel title="Something is wrong">
      <SmallForm
        button="Raise an alarm and hold the work"
        onSend={(read) =>
          void run({ kind: 'raise-alarm', where: read('where'), seen: read('seen') })
        }
      >
        <TextField label="Where (section, point or gauge)" name="where" />
        <TextField label="What was read, seen or heard" name="seen" />
      </SmallForm>
      {hanging.length > 0 && (
        <SmallForm
          button="Report the lock"
          onSend={(read) =>
            void run({
              kind: 'report-lock',
              lock: read('lock'),
              finding: read('finding') === 'damaged' ? 'damaged' : 'key-lost',
              seen: read('seenOn'),
            })
          }
        >
          <PickField
            label="Lock"
            name="lock"
            options={hanging.map(({ lock, where }) => ({
              id: lock,
              label: `${lock} on ${where}`,
            }))}
          />
          <ChoiceField
            label="What is wrong"
            name="finding"
            options={Object.entries(FINDING_NAMES).map(([id, label]) => ({ id, label }))}
          />
          <TextField label="What was seen" name="seenOn" />
        </SmallForm>
      )}
    </Panel>
  );
}
