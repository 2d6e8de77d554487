import { SITE_VALUES } from '../../core/rules/values';
import { VALUE_GROUPS } from './groups';

it('every value of the rules stands in one group, and once', () => {
  const grouped = Object.values(VALUE_GROUPS).flat();
  expect([...grouped].sort()).toEqual(Object.keys(SITE_VALUES).sort());
});
