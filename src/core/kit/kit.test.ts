import { DEFAULT_VALUES } from '../rules/values';
import { findPressureDue, refuseKit, refusePressure, type KitRow, type PressureRow } from './kit';

const NOW = '2026-11-24T07:00:00.000Z';
const codes = (refusals: readonly { readonly code: string }[]) => refusals.map(({ code }) => code);
const gloves = (more: Partial<KitRow> = {}): KitRow => ({ id: 'GL-1', name: 'Gloves', kind: 'gloves', rated_v: 1000, testedUntil: NOW, ...more }); // prettier-ignore
const vessel = (more: Partial<PressureRow> = {}): PressureRow => ({
  id: 'PE-1',
  name: 'Receiver',
  of: 'receiver',
  certificate: 'C-1',
  inspectedAt: '2025-11-24T07:00:00.000Z',
  testedAt: '2023-11-24T07:00:00.000Z',
  ...more,
});

describe('kit', () => {
  it.each<[string, KitRow, number, string[]]>([
    ['at the last instant of its test', gloves(), 1000, []],
    ['a moment after it', gloves({ testedUntil: '2026-11-24T06:59:59.999Z' }), 0, ['kit-out-of-date']],
    ['without a date', gloves({ testedUntil: undefined }), 0, ['kit-undated']],
    ['a radio, which has none', gloves({ kind: 'radio', testedUntil: undefined }), 0, []],
    ['of no kind and without a date', gloves({ kind: undefined, testedUntil: undefined }), 0, ['kit-undated']],
    ['rated for a volt too few', gloves(), 1001, ['kit-underrated']],
    ['of which nobody says for what it is rated', gloves({ rated_v: undefined }), 400, ['kit-underrated']],
    ['a harness, which is for no voltage', gloves({ kind: 'harness', rated_v: undefined }), 400, []],
    ['out of use, and in date', gloves({ unsafe: 'a hole' }), 0, ['kit-unsafe']],
  ])('%s', (_, row, volts, expected) => {
    expect(codes(refuseKit(row, NOW, volts))).toEqual(expected);
  }); // prettier-ignore
});

describe('pressure equipment', () => {
  // Inspected a year ago to the instant, tested three years ago to the instant.
  it.each<[string, PressureRow, string[]]>([
    ['at the last instant of both', vessel(), []],
    ['a moment after its inspection', vessel({ inspectedAt: '2025-11-24T06:59:59.999Z' }), ['pressure-inspect']],
    ['never inspected', vessel({ inspectedAt: undefined }), ['pressure-inspect']],
    ['portable, half a year after it', vessel({ portable: true, inspectedAt: '2026-05-24T07:00:00.000Z' }), []],
    ['portable, a day later', vessel({ portable: true, inspectedAt: '2026-05-23T07:00:00.000Z' }), ['pressure-inspect']],
    ['a moment after its test', vessel({ testedAt: '2023-11-24T06:59:59.999Z' }), ['pressure-test-due']],
    ['never tested', vessel({ testedAt: undefined }), ['pressure-test-due']],
    ['altered since it was tested', vessel({ alteredAt: '2026-01-01T00:00:00.000Z', altered: 'repaired' }), ['pressure-altered']],
    ['tested since it was altered', vessel({ alteredAt: '2023-01-01T00:00:00.000Z' }), []],
    ['altered and never tested', vessel({ testedAt: undefined, alteredAt: '2023-01-01T00:00:00.000Z' }), ['pressure-altered']],
    ['without a certificate', vessel({ certificate: undefined }), ['pressure-certificate']],
    ['a hose, which has none', vessel({ of: 'hose', certificate: undefined }), []],
    ['a gauge, which is not tested under pressure', vessel({ of: 'gauge', testedAt: undefined }), []],
    ['tagged as unsafe', vessel({ unsafe: 'a dent' }), ['pressure-unsafe']],
  ])('%s', (_, row, expected) => {
    expect(codes(refusePressure(row, DEFAULT_VALUES, NOW))).toEqual(expected);
  }); // prettier-ignore

  it('is due by the calendar: months of any length, and a leap day', () => {
    const due = (inspectedAt: string, portable: boolean) =>
      findPressureDue(vessel({ inspectedAt, portable }), DEFAULT_VALUES).inspect;
    expect(due('2026-08-31T00:00:00.000Z', true)).toBe('2027-02-28T00:00:00.000Z');
    expect(due('2028-02-29T00:00:00.000Z', false)).toBe('2029-02-28T00:00:00.000Z');
  });
});
