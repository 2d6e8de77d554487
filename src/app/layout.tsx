import './globals.css';
import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { cookies, headers } from 'next/headers';
import { Toaster } from 'sonner';
import type { Person, Role } from '../core/people/people';
import { readNow } from '../server/clock';
import { sharedDatabase } from '../server/database';
import { readGraph } from '../server/plant';
import { readPresence } from '../server/presence';
import { findMe, holdsNow } from '../server/session';
import { isSetUp } from '../server/set-up';
import { readValues } from '../server/site-rules';
import { describeTrouble } from '../server/trouble';
import { Frame } from '../ui/frame/frame';
import { Welcome } from '../ui/frame/welcome';
import { WELCOMED } from '../ui/frame/welcomed';
import { NotStarted } from '../ui/shell/not-started';
import { SiteZone } from '../ui/kit/moment';
import { Awake } from '../ui/shell/awake';
import { EARLY_PRESS } from './early-press';
import { FACES } from './fonts';

export const metadata: Metadata = { title: 'Heavy Lantern', description: 'Isolation and permits' };
export const dynamic = 'force-dynamic';

/** Why the server cannot work at all; undefined when it can. */
function findStartTrouble(): string | undefined {
  try {
    if (isSetUp(sharedDatabase())) readPresence(sharedDatabase());
    return undefined;
  } catch (error) {
    return describeTrouble(error);
  }
}

/** Roles of a person that have not been told yet what they do here. */
const listUntold = ({ authorisations }: Person, told: readonly string[]): Role[] => [
  ...new Set(authorisations.map(({ role }) => role).filter((role) => !told.includes(role))),
];

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const trouble = findStartTrouble();
  if (trouble !== undefined) return <NotStarted trouble={trouble} />;
  const me = await findMe();
  const told = (await cookies()).get(WELCOMED)?.value.split('.') ?? [];
  return (
    <html lang="en" className={FACES} suppressHydrationWarning>
      <body className="min-h-screen bg-base-100 text-base-content">
        <script
          nonce={(await headers()).get('x-nonce') ?? undefined}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: EARLY_PRESS }}
        />
        <SiteZone zone={readValues(sharedDatabase()).values.zone}>
          {me ? (
            <Frame
              site={readGraph(sharedDatabase()).plant.name}
              me={{ name: me.name, coordinator: holdsNow(me, ['coordinator']) }}
              now={readNow(sharedDatabase())}
              shown={readPresence(sharedDatabase())}
              demo={process.env.LANTERN_DEMO === '1'}
              welcome={
                <Welcome told={told} roles={told.includes('all') ? [] : listUntold(me, told)} />
              }
            >
              {children}
            </Frame>
          ) : (
            children
          )}
        </SiteZone>
        <Awake />
        <Toaster position="bottom-center" richColors />
      </body>
    </html>
  );
}
