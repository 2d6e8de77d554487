/** The columns of a sheet of people: one row for each authorisation, with the person in each. */
export const PEOPLE_COLUMNS = [
  'id',
  'name',
  'employer',
  'role',
  'from',
  'until',
  'up_to_v',
  'areas',
  'evidence',
  'left',
] as const;
