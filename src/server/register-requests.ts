import { REGISTER_NAMES, type RegisterName } from '../core/registers/schema';
import { findHolder, type Found } from './session';

/** The register of that name; undefined when there is none. */
export const findRegisterName = (name: string): RegisterName | undefined =>
  REGISTER_NAMES.find((one) => one === name);

/** Who keeps the registers and is signed in, or the response that refuses anyone else. */
export const findRegisterKeeper = (): Promise<Found> =>
  findHolder(
    ['site-manager', 'coordinator'],
    'Only a site manager or a coordinator may change a register.',
  );
