'use client';

import Link from 'next/link';
import { isHeld, listOn } from '../../core/job/permit-record';
import { StopButton } from './permit/stop-panel';
import { Beside } from '../kit/moment';
import { Stages } from './stages';
import type { DossierProps } from './types';

/** How the permit stands, for how long, and how many are signed on. */
function PermitStands({ view }: Pick<DossierProps, 'view'>) {
  const { permit, halt } = view.dossier;
  const on = Object.keys(listOn(permit)).length;
  const people = `${on} on`;
  if (halt) return <strong className="text-error">STOPPED, {people}</strong>;
  if (!isHeld(permit)) return on > 0 ? <strong>{people}</strong> : null;
  return (
    <span>
      <span className="font-mono">{permit.number}</span> until{' '}
      <Beside at={permit.until} now={view.now} />, <strong>{people}</strong>
    </span>
  );
}

/** Which drawing the job stands on, where a newer one is in force, and what that one calls otherwise. */
function StandsOn({ view: { drawing } }: Pick<DossierProps, 'view'>) {
  const { version, newest, renamed } = drawing;
  if (newest === undefined) return null;
  const others = renamed.map(({ from, to }) => `${from} is ${to}`).join(', ');
  return (
    <span className="text-sm">
      Stands on drawing {version}; {newest} is in force
      {others === '' ? '' : `, where ${others}`}
    </span>
  );
}

/** What stays in sight of a job: what it is, where it stands, how to stop it, and its papers. */
export function JobHeader(props: DossierProps) {
  const { view, jobId } = props;
  const { dossier, stage } = view;
  const link = (path: string, label: string) => (
    <Link href={`/jobs/${jobId}/${path}`} className="underline">
      {label}
    </Link>
  );
  return (
    <header className="sticky top-11 z-20 flex flex-col gap-1 border-b border-base-300 bg-base-100 px-4 py-2 max-lg:static print:static">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="text-xl font-bold">
          <span className="font-mono">{jobId}</span> {dossier.title}
        </h1>
        <span className="font-mono">{dossier.equipment}</span>
        <span className="ml-auto flex items-center gap-4">
          <PermitStands view={view} />
          <StopButton {...props} />
        </span>
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <Stages stage={stage} />
        <StandsOn view={view} />
        <nav aria-label="Of this job" className="ml-auto flex flex-wrap gap-x-3 text-sm">
          {link('field', 'Field page')}
          {link('walk', 'Walk list')}
          {dossier.plan.kind === 'accepted' && (
            <a href={`/api/jobs/${jobId}/tags`} className="underline">
              Tags (PDF)
            </a>
          )}
          {stage !== 'closed' && !dossier.restoring && link('scope', 'Change the scope')}
          {link('record', 'Whole record')}
        </nav>
      </div>
    </header>
  );
}
