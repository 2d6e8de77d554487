import { ISSUED_WITH, site } from '../../../tests/support/seal-change';
import { listTestPlaces } from './air-places';

const dossier = ISSUED_WITH('spark');
if (!dossier) throw new Error('no job');

it('tests into every line that opens at the work, and the corners of a space', () => {
  const places = listTestPlaces(dossier, site, 'entry');
  expect(places[0]).toBe('each corner, high and low');
  expect(places.slice(1)).not.toHaveLength(0);
  expect(places.slice(1).every((place) => place.startsWith('the mouth of '))).toBe(true);
});

it('tests at what can breathe out about hot work, and at no wall', () => {
  const byHolder = {
    ...dossier,
    scope: { work: [{ section: 'HW-GAS', activity: 'touch' as const }], hours: 4 },
  };
  const places = listTestPlaces(byHolder, site, 'hot-work');
  expect(places.some((place) => place.startsWith('OE-SP '))).toBe(true);
  expect(places.some((place) => place.startsWith('YD-4 '))).toBe(true);
  expect(places.some((place) => place.startsWith('DRUMS'))).toBe(false);
});
