import '@fontsource/b612/400.css';
import '@fontsource/b612/700.css';
import '@fontsource/b612-mono/400.css';
import './globals.css';
import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { Toaster } from 'sonner';
import { readNow } from '../server/clock';
import { sharedDatabase } from '../server/database';
import { readPresence } from '../server/presence';
import { findMe } from '../server/session';
import { readValues } from '../server/site-rules';
import { Header } from '../ui/shell/header';
import { SiteZone } from '../ui/shell/site-moments';

export const metadata: Metadata = { title: 'Heavy Lantern', description: 'Isolation and permits' };
export const dynamic = 'force-dynamic';

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const me = await findMe();
  return (
    <html lang="en">
      <body className="min-h-screen bg-base-100 text-base-content">
        <SiteZone zone={readValues(sharedDatabase()).values.zone}>
          {me && (
            <Header
              me={{
                name: me.name,
                coordinator: me.authorisations.some(({ role }) => role === 'coordinator'),
              }}
              now={readNow(sharedDatabase())}
              shown={readPresence(sharedDatabase())}
              demo={process.env.LANTERN_DEMO === '1'}
            />
          )}
          {children}
        </SiteZone>
        <Toaster position="bottom-center" richColors />
      </body>
    </html>
  );
}
