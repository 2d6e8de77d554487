import { redirect } from 'next/navigation';
import { findMe } from '../server/session';

/** Whoever comes without an address goes on at the jobs. */
export default async function HomePage() {
  redirect((await findMe()) ? '/jobs' : '/login');
}
