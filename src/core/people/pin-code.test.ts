import type { Person, Role } from './people';
import { refusePinCode } from './pin-code';

const NOW = '2026-12-01T08:00:00.000Z';
const person = (id: string, role: Role, until = '2027-12-01T08:00:00.000Z'): Person => ({
  id,
  name: id,
  employer: 'Ferry Lane Water',
  authorisations: [{ role, until }],
});
const MIRA = person('mira', 'site-manager');
const TOM = person('tom', 'issuing-authority');
const JO = person('jo', 'worker');
const LAPSED = person('al', 'coordinator', '2026-12-01T07:59:59.000Z');

const codes = (isReset: boolean, ...signers: Person[]) =>
  refusePinCode(JO, { actor: 'mira', now: NOW, signers, isReset }).map(({ code }) => code);

describe('a code with which somebody sets their PIN', () => {
  it.each<[string, boolean, Person[], string[]]>([
    ['the first, by one', false, [MIRA], []],
    ['not signed by whoever makes it', false, [TOM], ['pin-code-unsigned']],
    ['signed by nobody', true, [], ['pin-code-unsigned']],
    ['another, by one', true, [MIRA], ['pin-reset-alone']],
    ['another, by two', true, [MIRA, TOM], []],
    ['another, by whose PIN it is', true, [MIRA, JO], ['pin-reset-alone']],
    ['another, by a worker', true, [MIRA, person('al', 'worker')], ['pin-reset-alone']],
    ['another, by one whose authorisation has lapsed', true, [MIRA, LAPSED], ['pin-reset-alone']],
  ])('%s', (_, isReset, signers, expected) => {
    expect(codes(isReset, ...signers)).toEqual(expected);
  });
});
