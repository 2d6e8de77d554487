import type { Plant } from './schema';

/** The name of the area that each machine stands in, by the id of the machine. */
export function nameAreasOf({
  areas,
  equipment,
}: Pick<Plant, 'areas' | 'equipment'>): Map<string, string> {
  const names = new Map(areas.map(({ id, name }) => [id, name]));
  return new Map(equipment.map(({ id, area }) => [id, names.get(area) ?? area]));
}
