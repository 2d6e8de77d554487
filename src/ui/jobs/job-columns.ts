import {
  columnFilteringFeature,
  columnVisibilityFeature,
  createColumnHelper,
  createFilteredRowModel,
  createSortedRowModel,
  filterFn_equalsString,
  filterFn_includesString,
  globalFilteringFeature,
  rowSortingFeature,
  sortFn_alphanumeric,
  tableFeatures,
} from '@tanstack/react-table';
import type { JobRow } from '../../core/watch';

/** What the table of jobs can do. */
export const features = tableFeatures({
  columnFilteringFeature,
  columnVisibilityFeature,
  globalFilteringFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
  filterFns: { equalsString: filterFn_equalsString, includesString: filterFn_includesString },
  sortFns: { alphanumeric: sortFn_alphanumeric },
});

const helper = createColumnHelper<typeof features, JobRow>();
const common = { sortFn: 'alphanumeric', filterFn: 'equalsString' } as const;

export const columns = helper.columns([
  helper.accessor('id', { header: 'Job', ...common }),
  helper.accessor('title', { header: 'Work', ...common }),
  helper.accessor('equipment', { header: 'Equipment', ...common }),
  helper.accessor('area', { header: 'Area', ...common }),
  helper.accessor('employer', { header: 'Employer', ...common }),
  helper.accessor('stands', { header: 'Stands', ...common }),
  helper.accessor(({ next }) => (next ? `${next.what} (${next.who})` : ''), {
    id: 'next',
    header: 'Next, and whose it is',
    ...common,
  }),
  helper.accessor(({ until }) => until ?? '', { id: 'until', header: 'Permit ends', ...common }),
]);

/** Left out at first: it is there to filter by. */
export const HIDDEN_AT_FIRST = { employer: false };

/** Widths of the columns where there is room for all. */
const WIDTHS: Readonly<Record<string, string>> = {
  id: '5rem',
  title: 'minmax(9rem,1.3fr)',
  equipment: '6rem',
  area: 'minmax(6rem,0.7fr)',
  employer: 'minmax(6rem,0.7fr)',
  stands: '9rem',
  next: 'minmax(10rem,1.5fr)',
  until: '11rem',
};

/** The columns of a grid that has some of them. */
export const layColumns = (ids: readonly string[]): string =>
  ids.map((id) => WIDTHS[id] ?? '1fr').join(' ');
