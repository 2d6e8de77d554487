import Link from 'next/link';
import { listPlaces } from '../ui/frame/places';
import { isPractice } from '../server/practice';

/** An address that leads nowhere: where to go instead. */
export default function NoSuchPage() {
  return (
    <main className="mx-auto flex max-w-2xl flex-col gap-4 p-6">
      <h1 className="text-2xl font-bold">There is nothing at this address</h1>
      <p>
        It may have been typed wrongly, or the job or page is called something else. Press{' '}
        <kbd className="kbd kbd-sm">Ctrl K</kbd> to find it, or go on here:
      </p>
      <ul className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {listPlaces(isPractice()).map(({ href, label, Icon }) => (
          <li key={href}>
            <Link href={href} className="btn w-full justify-start">
              <Icon size={18} aria-hidden /> {label}
            </Link>
          </li>
        ))}
      </ul>
    </main>
  );
}
