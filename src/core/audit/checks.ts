import type { PaperKind } from '../permits';

/** One question of the short check of a live permit, at the place. */
interface AuditCheck {
  readonly asks: string;
  /** The papers that it goes with; without any it is asked of every permit. */
  readonly of?: readonly PaperKind[];
  /** What differs here and is not put right at once stops the job. */
  readonly stops?: true;
}

/**
 * What a short check of a live permit looks at. The list is practice, after the questions on monitoring in HSG250 (from memory); that
 * the steps of an isolation are looked over in use by someone else than those who use it is 29 CFR 1910.147(c)(6)(i).
 */
export const AUDIT_CHECKS = {
  shown: { asks: 'The permit hangs at the place, the newest copy, and can be read.' },
  people: { asks: 'Everyone at the work is signed on.', stops: true },
  points: {
    asks: 'Locks and tags hang as listed and hold; nothing can be moved past them.',
    stops: true,
  },
  scope: { asks: 'Only the work of the permit is being done, in the place that it names.' },
  controls: { asks: 'The controls of the assessment are in place.' },
  worn: { asks: 'What has to be worn is worn, and fits.' },
  emergency: { asks: 'Whoever is asked knows the alarm, the way out and whom to call.' },
  tidy: { asks: 'Ways out are free; nothing lies about that is not needed.' },
  'fire-watch': {
    asks: 'The fire watch is there, does nothing else and can reach what puts a fire out.',
    of: ['hot-work'],
    stops: true,
  },
  combustibles: {
    asks: 'What can burn is away or covered, openings are shut, also behind and below.',
    of: ['hot-work'],
    stops: true,
  },
  attendant: {
    asks: 'The attendant is at the opening, knows who is in, and can call for help.',
    of: ['confined-space'],
    stops: true,
  },
  air: {
    asks: 'The newest gas test is within its time and written at the opening.',
    of: ['confined-space'],
    stops: true,
  },
  edge: { asks: 'Edges are guarded or people are tied on above.', of: ['height'], stops: true },
  'under-load': { asks: 'Nobody is under the load; the ground is closed off.', of: ['lifting'] },
  'dig-sides': { asks: 'Sides hold, services are marked, the edge is clear.', of: ['excavation'] },
  'dead-parts': {
    asks: 'Earths stand as listed; live parts beside are screened.',
    of: ['electrical'],
    stops: true,
  },
  'test-zone': { asks: 'The test zone is closed off and empty.', of: ['pressure-test'] },
  'ray-zone': {
    asks: 'The barrier stands at its dose rate and is watched.',
    of: ['radiography'],
    stops: true,
  },
} as const satisfies Record<string, AuditCheck>;

export type AuditCode = keyof typeof AUDIT_CHECKS;
export const AUDIT_CODES = Object.keys(AUDIT_CHECKS) as [AuditCode, ...AuditCode[]];

/** The questions asked of a permit with these papers, in order. */
export const listAuditChecks = (papers: readonly PaperKind[]): AuditCode[] =>
  AUDIT_CODES.filter((code) => {
    const { of }: AuditCheck = AUDIT_CHECKS[code];
    return of === undefined || of.some((kind) => papers.includes(kind));
  });

/** Whether what differs here stops the job. */
export const isGrave = (code: AuditCode): boolean => {
  const { stops }: AuditCheck = AUDIT_CHECKS[code];
  return stops === true;
};

/** How something was found: as the permit says, otherwise, or not looked at and why. */
export const FOUND = ['as-written', 'differs', 'not-seen'] as const;

/** Something that is to be done about what was found: by whom, until when (ISO 8601, UTC). */
export interface FollowUp {
  readonly what: string;
  readonly who: string;
  readonly until: string;
}

/** The answer to one question: what was seen, and what was done at once or is to be done. */
export interface AuditAnswer {
  readonly found: (typeof FOUND)[number];
  readonly seen?: string | undefined;
  readonly putRight?: string | undefined;
  readonly followUp?: FollowUp | undefined;
}

/** A short check: how many people were counted, how many were signed on, and the answers. */
export interface AuditFindings {
  readonly counted: number;
  readonly signedOn: number;
  readonly answers: Readonly<Partial<Record<AuditCode, AuditAnswer>>>;
}

/** What of the findings stops the job: what is grave, differs and was not put right. */
export const listGrave = ({ answers }: Pick<AuditFindings, 'answers'>): AuditCode[] =>
  AUDIT_CODES.filter((code) => {
    const answer = answers[code];
    return isGrave(code) && answer?.found === 'differs' && answer.putRight === undefined;
  });
