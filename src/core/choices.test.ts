import { site } from '../../tests/support/seal-change';
import { packChoices, unpackChoices } from './choices';

const NOW = '2026-11-24T07:00:00.000Z';
const offered = (held: readonly string[] = []) =>
  unpackChoices(packChoices(site, { held: new Set(held), now: NOW }));

describe('what forms offer of the registers', () => {
  it('has every lock that is free, each with its set, use and owner', () => {
    const [first, second] = [...site.locks.keys()] as [string, string];
    const { locks } = offered([first]);
    expect(locks).toHaveLength(site.locks.size - 1);
    expect(locks.some(({ id }) => id === first)).toBe(false);
    expect(locks.find(({ id }) => id === second)).toEqual(site.locks.get(second));
    const owned = locks.find(({ owner }) => owner !== undefined);
    expect(owned).toMatchObject({ owner: site.locks.get(owned?.id ?? '')?.owner });
  });

  it('names who is there, with what each may do by role', () => {
    const { people } = offered();
    expect(people).toHaveLength(site.people.size);
    expect(people.find(({ id }) => id === 'ben')).toMatchObject({
      issues: true,
      leads: false,
      worker: false,
    });
    expect(people.find(({ id }) => id === 'jun')).toMatchObject({
      leads: true,
      worker: true,
      issues: false,
    });
    const left = new Map([...site.people].map(([id, one]) => [id, { ...one, leftAt: NOW }]));
    expect(unpackChoices(packChoices({ ...site, people: left }, { held: new Set(), now: NOW })).people).toEqual([]); // prettier-ignore
  });

  it('is unpacked once', () => {
    const packed = packChoices(site, { held: new Set(), now: NOW });
    expect(unpackChoices(packed)).toBe(unpackChoices(packed));
    expect(JSON.stringify(packed.locks).length).toBeLessThan(site.locks.size * 12 + 2000);
  });

  it('has no lock where all hang', () => {
    expect(offered([...site.locks.keys()]).locks).toEqual([]);
  });
});
