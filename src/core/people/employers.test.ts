import { refuseEmployer, type Employer } from './employers';

const NOW = '2026-12-01T08:00:00.000Z';
const jo = { id: 'jo', name: 'Jo', employer: 'Blue Pipe', authorisations: [] };
const firm = (more: Partial<Employer>): Employer => ({
  id: 'BP',
  name: 'blue pipe',
  contractFrom: '2026-06-01T00:00:00.000Z',
  contractUntil: '2027-05-31T23:59:00.000Z',
  exchangedAt: '2026-06-02T00:00:00.000Z',
  ...more,
});
const codes = (...employers: Employer[]) =>
  refuseEmployer(jo, employers, NOW).map(({ code }) => code);

describe('somebody of another firm', () => {
  it.each<[string, string[], string[]]>([
    ['where no firm is registered', codes(), []],
    ['of a firm that is not', codes(firm({ name: 'Other' })), ['employer-unknown']],
    ['under a contract that counts', codes(firm({})), []],
    ['of the site’s own', codes({ id: 'OWN', name: 'Blue Pipe', own: true }), []],
    ['in the last minute of the contract', codes(firm({ contractUntil: NOW })), []],
    [
      'a minute after it',
      codes(firm({ contractUntil: '2026-12-01T07:59:00.000Z' })),
      ['contract-over'],
    ],
    ['without an end of it', codes(firm({ contractUntil: undefined })), ['contract-over']],
    [
      'before it begins',
      codes(firm({ contractFrom: '2026-12-02T00:00:00.000Z', exchangedAt: NOW })),
      ['contract-over'],
    ],
    [
      'before rules were exchanged',
      codes(firm({ exchangedAt: undefined })),
      ['rules-not-exchanged'],
    ],
    [
      'on the day that is still to come',
      codes(firm({ exchangedAt: '2026-12-02T00:00:00.000Z' })),
      ['rules-not-exchanged'],
    ],
    [
      'with rules of the contract before',
      codes(firm({ exchangedAt: '2026-03-02T00:00:00.000Z' })),
      ['rules-not-exchanged'],
    ],
    [
      'with rules of ninety days before',
      codes(firm({ exchangedAt: '2026-03-03T00:00:00.000Z' })),
      [],
    ],
  ])('%s', (_label, found, expected) => {
    expect(found).toEqual(expected);
  });
});
