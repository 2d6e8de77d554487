import { redirect } from 'next/navigation';
import { DUE_DAYS, listDue } from '../../core/due';
import { listSetUpSteps } from '../../core/readiness';
import { readNow } from '../../server/clock';
import { sayBackups } from '../../server/backups';
import { sharedDatabase } from '../../server/database';
import { listJobs } from '../../server/jobs';
import { listWithPin } from '../../server/people';
import { readSite } from '../../server/registers';
import { listDevices } from '../../server/devices';
import { findMe, findOwnDevice, holdsNow } from '../../server/session';
import { readValues } from '../../server/site-rules';
import { Devices } from '../../ui/site/devices';
import { SiteScreen } from '../../ui/site/site-screen';

/** The first version of the rules is saved as the site is set up. */
const AS_SET_UP = 1;

export default async function SitePage() {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  const site = readSite(db);
  return (
    <SiteScreen
      name={site.graph.plant.name}
      due={listDue(site, readNow(db), DUE_DAYS)}
      steps={listSetUpSteps(site, {
        now: readNow(db),
        withPin: new Set(listWithPin(db)),
        jobs: listJobs(db).length,
        backups: process.env.LANTERN_DEMO === '1' ? undefined : sayBackups(db),
        hasOwnRules: readValues(db).version > AS_SET_UP,
      })}
    >
      {holdsNow(me, ['site-manager']) && (
        <Devices
          isDemo={process.env.LANTERN_DEMO === '1'}
          own={(await findOwnDevice())?.name}
          devices={listDevices(db)
            .filter(({ endedAt }) => endedAt === undefined)
            .map((one) => ({ ...one, by: site.people.get(one.by)?.name ?? one.by }))}
        />
      )}
    </SiteScreen>
  );
}
