import { site, START } from '../../../tests/support/seal-change';
import { CHANGE_RULES } from '../rules/changes';
import {
  decideChange,
  evolveChanges,
  findNextForChange,
  isChangeOver,
  isPending,
  listChangeSigners,
  listChangeSteps,
  nameChange,
  NO_CHANGES,
  sayChange,
  sayReview,
  type ChangeCommand,
  type ChangeRecord,
} from '.';

const daysOn = (days: number) => new Date(Date.parse(START) + days * 86_400_000).toISOString();
const newestSite = {
  ...site,
  newest: { version: site.plantVersion + 1, graph: site.graph },
};

function give(
  record: ChangeRecord,
  actor: string,
  command: ChangeCommand,
  {
    days = 0,
    signed = listChangeSigners(command, actor),
    at = site,
  }: { days?: number; signed?: readonly string[]; at?: typeof site } = {},
): { codes: string[]; record: ChangeRecord } {
  const now = daysOn(days);
  const decision = decideChange(record, command, {
    actor,
    now,
    signed: new Set(signed),
    site: at,
    hasJob: (id) => id === 'J-0001',
  });
  if (!decision.ok) return { codes: decision.refusals.map(({ code }) => code), record };
  return { codes: [], record: evolveChanges(record, decision.event, { by: actor, at: now }) };
}

type Propose = Extract<ChangeCommand, { kind: 'propose-change' }>;
const propose = (more: Partial<Propose> = {}): Propose => ({
  kind: 'propose-change',
  change: 'hose',
  places: ['BT-LIQ', 'ST1-CBL'].slice(0, 1),
  what: 'flushing water',
  why: 'the tank is rinsed',
  until: daysOn(7),
  ...more,
});
const permanent = (): Propose => ({
  ...propose({ change: 'modification', places: ['HV-2004'] }),
  until: undefined,
});
const number = 1;
const assess: ChangeCommand = {
  kind: 'assess-change',
  number,
  hazards: 'water under the seal',
  measures: 'hose off before the pump is opened',
};
const allow: ChangeCommand = { kind: 'allow-change', number };
const turnDown: ChangeCommand = { kind: 'turn-down-change', number, why: 'no need of it' };
const tell = (...people: string[]): ChangeCommand => ({
  kind: 'tell-change',
  number,
  people,
  how: 'by radio',
});
const draw = (version: number): ChangeCommand => ({ kind: 'draw-change', number, version });
const undo: ChangeCommand = { kind: 'undo-change', number, how: 'hose rolled up' };
const see = (found: 'gone' | 'still'): ChangeCommand => ({
  kind: 'see-undone',
  number,
  found,
  how: 'looked at both ends',
});

const PROPOSED = () => give(NO_CHANGES, 'kit', propose()).record;
const ASSESSED = () => give(PROPOSED(), 'cora', assess).record;
const ALLOWED = () => give(ASSESSED(), 'hana', allow).record;
const TOLD = () => give(ALLOWED(), 'hana', tell('dov')).record;
const UNDONE = () => give(ALLOWED(), 'jun', undo).record;
const GONE = () => give(UNDONE(), 'cora', see('gone')).record;
const LASTING = () =>
  give(give(give(NO_CHANGES, 'kit', permanent()).record, 'cora', assess).record, 'hana', allow)
    .record;

const ROWS: readonly [
  string,
  () => ChangeRecord,
  string,
  ChangeCommand,
  string[],
  Parameters<typeof give>[3]?,
][] = [
  ['anybody proposes', () => NO_CHANGES, 'kit', propose(), []],
  ['a stranger does not', () => NO_CHANGES, 'zed', propose(), ['person-unknown']],
  ['what is not drawn', () => NO_CHANGES, 'kit', propose({ places: ['X-1'] }), ['change-place-unknown']],
  ['a hose to a conductor', () => NO_CHANGES, 'kit', propose({ places: ['BT-LIQ', 'ST1-CBL'] }), ['change-ends-wrong']],
  ['a hose to a device', () => NO_CHANGES, 'kit', propose({ places: ['HV-2004'] }), ['change-ends-wrong']],
  ['a hose with three ends', () => NO_CHANGES, 'kit', propose({ places: ['BT-LIQ', 'BT-GAS', 'OVF'] }), ['change-ends-wrong']],
  ['a jumper between conductors', () => NO_CHANGES, 'kit', propose({ change: 'jumper', places: ['ST1-CBL', 'LP-1'] }), []],
  ['a jumper to a pipe', () => NO_CHANGES, 'kit', propose({ change: 'jumper', places: ['BT-LIQ'] }), ['change-ends-wrong']],
  ['a blank at a device', () => NO_CHANGES, 'kit', propose({ change: 'blank', places: ['HV-2004'] }), []],
  ['a temporary one without an end', () => NO_CHANGES, 'kit', propose({ until: undefined }), ['change-until-missing']],
  ['at the longest', () => NO_CHANGES, 'kit', propose({ until: daysOn(90) }), []],
  ['longer than allowed', () => NO_CHANGES, 'kit', propose({ until: daysOn(91) }), ['change-until-wrong']],
  ['until a moment that is past', () => NO_CHANGES, 'kit', propose({ until: START }), ['change-until-wrong']],
  ['for a job', () => NO_CHANGES, 'kit', propose({ job: 'J-0001' }), []],
  ['for a job that is not there', () => NO_CHANGES, 'kit', propose({ job: 'J-9' }), ['change-job-unknown']],
  ['one that stays, without an end', () => NO_CHANGES, 'kit', permanent(), []],
  ['hazards by somebody else', PROPOSED, 'cora', assess, []],
  ['hazards by a worker', PROPOSED, 'lena', assess, ['role-missing']],
  ['hazards unsigned', PROPOSED, 'cora', assess, ['signature-missing'], { signed: [] }],
  ['hazards by the proposer', () => give(NO_CHANGES, 'cora', propose()).record, 'cora', assess, ['change-own']],
  ['hazards once it is allowed', ALLOWED, 'cora', assess, ['change-allowed-already']],
  ['allowed', ASSESSED, 'hana', allow, []],
  ['allowed unseen', PROPOSED, 'hana', allow, ['change-not-assessed']],
  ['allowed by an operator', ASSESSED, 'dov', allow, ['role-missing']],
  ['allowed by its proposer', () => give(give(NO_CHANGES, 'hana', propose()).record, 'cora', assess).record, 'hana', allow, ['change-own']],
  ['allowed by who assessed', () => give(PROPOSED(), 'hana', assess).record, 'hana', allow, ['change-own']],
  ['allowed for too long', ASSESSED, 'hana', { ...allow, until: daysOn(91) }, ['change-until-wrong']],
  ['allowed for longer, later', ALLOWED, 'hana', { ...allow, until: daysOn(20) }, [], { days: 8 }],
  ['allowed after its end, without another', ALLOWED, 'hana', allow, ['change-until-wrong'], { days: 8 }],
  ['turned down', ASSESSED, 'uma', turnDown, []],
  ['turned down by a worker', ASSESSED, 'kit', turnDown, ['role-missing']],
  ['told', ALLOWED, 'kit', tell('dov', 'cora'), []],
  ['told to nobody of the site', ALLOWED, 'kit', tell('zed'), ['person-unknown']],
  ['drawn by the next version', LASTING, 'ada', draw(site.plantVersion + 1), [], { at: newestSite }],
  ['drawn by the version of before', LASTING, 'ada', draw(site.plantVersion), ['change-version-wrong'], { at: newestSite }],
  ['drawn by one that is not saved', LASTING, 'ada', draw(site.plantVersion + 1), ['change-version-wrong']],
  ['drawn by a worker', LASTING, 'kit', draw(site.plantVersion + 1), ['role-missing'], { at: newestSite }],
  ['put back', ALLOWED, 'jun', undo, []],
  ['put back by a worker', ALLOWED, 'kit', undo, ['role-missing']],
  ['put back twice', UNDONE, 'jun', undo, ['change-undone-already']],
  ['seen to be gone', UNDONE, 'cora', see('gone'), []],
  ['seen by who put it back', () => give(ALLOWED(), 'cora', undo).record, 'cora', see('gone'), ['change-own']],
  ['seen before it was put back', ALLOWED, 'cora', see('gone'), ['change-not-undone']],
  ['anything once it is gone', GONE, 'jun', undo, ['change-over-already']],
  ['one that nobody proposed', () => NO_CHANGES, 'cora', assess, ['change-not-listed']],
]; // prettier-ignore

describe('what is decided about a change', () => {
  it.each(ROWS)('%s', (...[, record, actor, command, codes, more]) => {
    expect(give(record(), actor, command, more).codes).toEqual(codes);
  });

  it('is produced by a row for every code that is about the change itself', () => {
    const produced = new Set(ROWS.flatMap(([, , , , codes]) => codes));
    const own = Object.entries(CHANGE_RULES).filter(([, { where }]) => where === 'site');
    expect(own.map(([code]) => code).filter((code) => !produced.has(code))).toEqual([]);
  });
});

describe('how a change stands', () => {
  const next = (record: ChangeRecord, days = 0) =>
    record.map((one) => [
      findNextForChange(one, daysOn(days)),
      sayReview(one, daysOn(days)),
      isPending(one),
    ]);

  it.each<[string, () => ChangeRecord, number, unknown[]]>([
    ['proposed', PROPOSED, 0, ['assess', 'reviewed by nobody', true]],
    ['assessed', ASSESSED, 0, ['allow', 'hazards looked at, allowed by nobody', true]],
    ['allowed', ALLOWED, 0, ['tell', 'allowed for a time', true]],
    ['told', TOLD, 7, ['stands', 'allowed for a time', true]],
    ['over', TOLD, 7.01, ['undo', 'ITS TIME IS OVER', true]],
    ['undone', UNDONE, 0, ['see-undone', 'put back, to be looked at', true]],
    ['gone', GONE, 99, ['see-undone', 'gone', false]],
    [
      'turned down',
      () => give(ASSESSED(), 'uma', turnDown).record,
      0,
      ['undo', 'turned down: it has to go', true],
    ],
    ['lasting', LASTING, 0, ['tell', 'allowed', true]],
    [
      'lasting, told',
      () => give(LASTING(), 'hana', tell('dov')).record,
      0,
      ['draw', 'allowed', true],
    ],
  ])('%s', (_, record, days, expected) => {
    // prettier-ignore
    expect(next(record(), days)).toEqual([expected]);
  });

  it('that stays is settled once it is allowed, told and drawn', () => {
    const told = give(LASTING(), 'hana', tell('dov')).record;
    const drawn = give(told, 'ada', draw(site.plantVersion + 1), { at: newestSite }).record;
    expect(next(drawn).map(([, , pending]) => pending)).toEqual([false]);
  });

  it('is there again when somebody looked and found it', () => {
    const still = give(UNDONE(), 'cora', see('still')).record;
    expect(still[0]).toMatchObject({ stillThere: [{ by: 'cora' }], undone: undefined });
    expect(give(still, 'cora', undo).codes).toEqual([]);
  });

  it('ends when it was allowed to, whatever its proposer said', () => {
    const later = give(ALLOWED(), 'hana', { ...allow, until: daysOn(20) }).record;
    expect(later.map((one) => [isChangeOver(one, daysOn(19)), isChangeOver(one, daysOn(21))])).toEqual([[false, true]]); // prettier-ignore
  });

  it('is said by what it is, where, and by its number', () => {
    const [one] = PROPOSED();
    expect(one && sayChange(one)).toBe('temporary hose or line at BT-LIQ: flushing water');
    expect(one && sayChange({ ...one, isEverywhere: true })).toContain('at many places');
    expect(nameChange(12)).toBe('MC-0012');
  });

  it('offers each person the steps that would not be refused', () => {
    const stepsOf = (record: ChangeRecord, actor: string) =>
      record.map((one) =>
        listChangeSteps(record, one, { actor, now: START, signed: new Set([actor]), site, hasJob: () => true }),
      ); // prettier-ignore
    expect(stepsOf(PROPOSED(), 'cora')).toEqual([['assess-change', 'tell-change', 'undo-change']]);
    expect(stepsOf(ASSESSED(), 'hana')).toEqual([
      ['assess-change', 'allow-change', 'turn-down-change', 'tell-change'],
    ]);
    expect(stepsOf(ASSESSED(), 'kit')).toEqual([['tell-change']]);
  });
});
