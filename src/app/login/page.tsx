import { ROLE_NAMES } from '../../core/people/people';
import { useDatabase as openShared } from '../../server/database';
import { listPeople } from '../../server/registers';
import { SignIn } from '../../ui/shell/sign-in';

export default function LoginPage() {
  const people = listPeople(openShared()).map(({ id, name, employer, authorisations }) => ({
    id,
    label: `${name}, ${authorisations[0] ? ROLE_NAMES[authorisations[0].role] : employer}`,
  }));
  return <SignIn people={people} />;
}
