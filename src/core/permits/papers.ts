/** The permits and certificates that a job may need. */
export const PAPERS = {
  general: 'General permit',
  'line-breaking': 'Line-breaking certificate',
  electrical: 'Electrical certificate',
  'hot-work': 'Hot work permit',
  'confined-space': 'Confined space entry permit',
  height: 'Certificate for work at height',
  excavation: 'Excavation certificate',
  lifting: 'Lifting certificate',
  'pressure-test': 'Pressure test certificate',
  radiography: 'Radiography certificate',
} as const;

export type PaperKind = keyof typeof PAPERS;
export const PAPER_KINDS = Object.keys(PAPERS) as [PaperKind, ...PaperKind[]];
