import { liftEvent, versionOfKind, WrittenLater } from './event-versions';

describe('versions of events', () => {
  it('an event of before there were versions becomes one of today', () => {
    expect(liftEvent({ kind: 'person-saved', id: 'ada' })).toEqual({
      kind: 'person-saved',
      id: 'ada',
      leftAt: null,
    });
  });

  it('an event of today stays as it is, without its version', () => {
    const event = { kind: 'person-saved', id: 'ada', leftAt: '2026-01-01T00:00:00.000Z' };
    expect(liftEvent({ ...event, v: versionOfKind('person-saved') })).toEqual(event);
    expect(liftEvent({ kind: 'lock-hung', lock: 'E-1', v: 1 })).toEqual({
      kind: 'lock-hung',
      lock: 'E-1',
    });
  });

  it('a handover of before defects were handed over names none', () => {
    const report = { live: [{ words: 'J-0001' }] };
    expect(liftEvent({ kind: 'shift-handed-over', v: 1, report })).toEqual({
      kind: 'shift-handed-over',
      report: { changes: [], defects: [], live: [{ words: 'J-0001' }] },
    });
    const today = { kind: 'shift-handed-over', report: { defects: [{ words: 'D-0001' }] } };
    expect(liftEvent({ ...today, v: versionOfKind('shift-handed-over') })).toEqual(today);
  });

  it.each([3, 2.5, 0, '2', null])('a version that nobody here has written (%j) is refused', (v) => {
    expect(() => liftEvent({ kind: 'person-saved', v })).toThrow(WrittenLater);
  });
});
