'use client';

import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';
import { Messages } from './messages';
import { PlanForm } from './plan-form';
import { ProfilePicture } from './profile-picture';
import { RunPart } from './run-part';

/** A line that is cleared with gas: worked out, walked, pushed section by section, and the messages between its ends. */
export function ClearingTab(props: DossierProps) {
  const { view, names } = props;
  const { clearing } = view.dossier;
  const shown = view.clearing;
  if (!view.canBeCleared) return <Messages {...props} />;
  return (
    <>
      <Panel title="Line cleared with gas" spot="clearing">
        {clearing && shown ? (
          <>
            <p className="text-sm">
              {clearing.worked.length_m} m, {clearing.worked.volume_m3} m³:{' '}
              {clearing.worked.energy_kj} kJ if all of it stood under {clearing.plan.relief_bar}{' '}
              bar. In the valley at {clearing.worked.valley_m} m up to {clearing.worked.valley_bar}{' '}
              bar; it takes {clearing.worked.lift_bar} bar to push what is in it uphill. Nobody
              within {shown.zone_m} m of the receiver. Everybody else: {clearing.plan.stands}.{' '}
              {names[clearing.plan.launcher] ?? clearing.plan.launcher} lets the gas in,{' '}
              {names[clearing.plan.catcher] ?? clearing.plan.catcher} stands at the receiver.
            </p>
            <ProfilePicture clearing={clearing} view={shown} />
            <ol className="text-sm sm:hidden">
              {clearing.worked.sections.map(({ start_m, end_m, energy_kj, clear_m }, n) => (
                <li key={start_m + end_m}>
                  {n < clearing.cleared ? '✓ ' : ''}
                  {start_m} to {end_m} m: {energy_kj} kJ, everybody {clear_m} m away
                </li>
              ))}
            </ol>
            <RunPart clearing={clearing} view={shown} props={props} />
          </>
        ) : (
          <p>
            Nothing is worked out. Give the line from one end to the other: the energy of each
            section, the way to push it and how far off people stay follow from it.
          </p>
        )}
        {!clearing?.run && (
          <details open={!clearing}>
            <summary className="cursor-pointer text-sm">
              {clearing ? 'Plan it anew' : 'Plan it'}
            </summary>
            <PlanForm {...props} />
          </details>
        )}
      </Panel>
      <Messages {...props} />
    </>
  );
}
