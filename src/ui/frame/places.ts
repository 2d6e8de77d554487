import {
  BookLock,
  Calculator,
  ClipboardList,
  Factory,
  GraduationCap,
  LockKeyhole,
  MonitorDot,
  Replace,
  Settings,
  ShieldOff,
  Stamp,
  UsersRound,
  Wrench,
  type LucideIcon,
} from 'lucide-react';

export interface Place {
  readonly href: string;
  readonly label: string;
  readonly Icon: LucideIcon;
  /** A place of the demonstration alone. */
  readonly isPractice?: true;
}

/** Where one can go from anywhere, in the order of the rail. */
const PLACES: readonly Place[] = [
  { href: '/watch', label: 'Watch', Icon: MonitorDot },
  { href: '/jobs', label: 'Jobs', Icon: ClipboardList },
  { href: '/hatch', label: 'Hatch', Icon: Stamp },
  { href: '/plant', label: 'Plant', Icon: Factory },
  { href: '/locks', label: 'Locks', Icon: LockKeyhole },
  { href: '/bypasses', label: 'Bypasses', Icon: ShieldOff },
  { href: '/defects', label: 'Defects', Icon: Wrench },
  { href: '/changes', label: 'Changes', Icon: Replace },
  { href: '/handover', label: 'Handover', Icon: UsersRound },
  { href: '/bench', label: 'Bench', Icon: Calculator },
  { href: '/practice', label: 'Practice', Icon: GraduationCap, isPractice: true },
  { href: '/records', label: 'Records', Icon: BookLock },
  { href: '/site', label: 'Site', Icon: Settings },
];

/** The places of a site, and of the demonstration those of practice as well. */
export const listPlaces = (isDemo: boolean): readonly Place[] =>
  PLACES.filter(({ isPractice }) => isDemo || !isPractice);

/** Pages that lie behind a place without its address in theirs. */
const BEHIND: Readonly<Record<string, string>> = {
  '/audits': '/records',
  '/procedures': '/jobs',
  '/outside': '/records',
  '/rules': '/site',
  '/people': '/site',
  '/registers': '/site',
  '/kit': '/practice',
};

/** Whether a page is for a phone at the plant: it stands without the rail. */
export const isFieldPage = (path: string): boolean =>
  path.endsWith('/field') || path === '/defects/report';

/** Whether a page belongs to a place. */
export function isAt(path: string, href: string): boolean {
  const own = Object.entries(BEHIND).find(([start]) => path.startsWith(start))?.[1] ?? path;
  return own === href || own.startsWith(`${href}/`);
}
