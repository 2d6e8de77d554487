import { isHeld } from '../../../core/job/permit-record';
import type { DossierProps } from '../types';
import { AirLogPanel } from './air-log';
import { AirPanel } from './air-panel';

/** The air: its tests, and once a permit is out what the detectors say. */
export const AirTab = (props: DossierProps) => (
  <>
    <AirPanel {...props} />
    {isHeld(props.view.dossier.permit) && <AirLogPanel {...props} />}
  </>
);
