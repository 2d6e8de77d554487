import { ROLE_NAMES } from '../core/people/people';
import { readDemoSite } from './demo';

/** Whether this is the demonstration, where stand-ins may be read and everybody may be anybody. */
export const isPractice = (): boolean => process.env.LANTERN_DEMO === '1';

/** Somebody of the demonstration, with the PIN that stands in its files. */
export interface PracticePerson {
  readonly id: string;
  readonly name: string;
  readonly employer: string;
  readonly roles: string;
  readonly pin: string;
}

/** The people of the demonstration; nobody outside it. Only made-up people have a PIN in a file. */
export function listPracticePeople(): PracticePerson[] {
  if (!isPractice()) return [];
  return readDemoSite().people.map(({ id, name, employer, pin, authorisations }) => ({
    id,
    name,
    employer,
    pin,
    roles: authorisations.map(({ role }) => ROLE_NAMES[role]).join(', '),
  }));
}
