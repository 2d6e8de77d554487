'use client';

import type { RegisterName } from '../../core/registers/schema';
import { Instant } from '../kit/moment';
import { Tabs } from '../kit/tabs';
import { useTab } from '../kit/use-tab';
import type { RegisterProps } from './props';
import { RegisterTab } from './register-tab';
import { TITLES } from './words';

/** Every change, the newest first. */
function Past({ past }: Pick<RegisterProps, 'past'>) {
  if (past.length === 0) return <p>Nothing was changed yet.</p>;
  return (
    <ul aria-label="What was changed" className="text-sm">
      {past.map(({ at, by, words }) => (
        <li key={at + words} className="border-t border-base-300 py-1">
          <Instant at={at} />, {by}: {words}
        </li>
      ))}
    </ul>
  );
}

/** Locks, boxes, instruments and earthing sets of the site. */
export function RegistersScreen(props: RegisterProps) {
  const [shown, setShown] = useTab<string>('');
  const names = Object.keys(TITLES) as RegisterName[];
  return (
    <main className="flex max-w-6xl flex-col gap-3 p-4">
      <h1 className="text-xl font-bold">Registers</h1>
      <p className="text-sm">
        {props.mayChange
          ? 'What the site locks, measures and works with. What hangs or is in use stays in its register.'
          : 'What the site locks, measures and works with. A site manager or a coordinator changes it.'}
      </p>
      <Tabs
        label="Registers"
        shown={shown}
        onShow={setShown}
        tabs={[
          ...names.map((name) => ({
            id: name,
            label: `${TITLES[name]} (${props.registers[name].length})`,
            content: <RegisterTab name={name} props={props} />,
          })),
          { id: 'past', label: 'What was changed', content: <Past past={props.past} /> },
        ]}
      />
    </main>
  );
}
