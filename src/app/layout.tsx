import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import './globals.css';
import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { Toaster } from 'sonner';
import { readNow } from '../server/clock';
import { sharedDatabase } from '../server/database';
import { readGraph } from '../server/plant';
import { readPresence } from '../server/presence';
import { findMe, holdsNow } from '../server/session';
import { readValues } from '../server/site-rules';
import { describeTrouble } from '../server/trouble';
import { Frame } from '../ui/frame/frame';
import { NotStarted } from '../ui/shell/not-started';
import { SiteZone } from '../ui/shell/site-moments';

export const metadata: Metadata = { title: 'Heavy Lantern', description: 'Isolation and permits' };
export const dynamic = 'force-dynamic';

/** Why the server cannot work at all; undefined when it can. */
function findStartTrouble(): string | undefined {
  try {
    readPresence(sharedDatabase());
    return undefined;
  } catch (error) {
    return describeTrouble(error);
  }
}

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const trouble = findStartTrouble();
  if (trouble !== undefined) return <NotStarted trouble={trouble} />;
  const me = await findMe();
  return (
    <html lang="en">
      <body className="min-h-screen bg-base-100 text-base-content">
        <SiteZone zone={readValues(sharedDatabase()).values.zone}>
          {me ? (
            <Frame
              site={readGraph(sharedDatabase()).plant.name}
              me={{ name: me.name, coordinator: holdsNow(me, ['coordinator']) }}
              now={readNow(sharedDatabase())}
              shown={readPresence(sharedDatabase())}
              demo={process.env.LANTERN_DEMO === '1'}
            >
              {children}
            </Frame>
          ) : (
            children
          )}
        </SiteZone>
        <Toaster position="bottom-center" richColors />
      </body>
    </html>
  );
}
