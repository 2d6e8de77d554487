import { ROLE_NAMES } from '../../core/people/people';
import { sharedDatabase } from '../../server/database';
import { listPeople } from '../../server/registers';
import { SignIn } from '../../ui/shell/sign-in';

export default function LoginPage() {
  const people = listPeople(sharedDatabase()).map(({ id, name, employer, authorisations }) => ({
    id,
    label: `${name}, ${authorisations[0] ? ROLE_NAMES[authorisations[0].role] : employer}`,
  }));
  return <SignIn people={people} />;
}
