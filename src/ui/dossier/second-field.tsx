import { ChoiceField } from './field';
import type { DossierProps } from './types';

/** Who stands by where two are asked for. */
export function SecondField({ props }: { readonly props: DossierProps }) {
  return (
    <ChoiceField
      label="Second person, signs too"
      name="second"
      options={props.choices.people
        .filter(({ standsBy, id }) => standsBy && id !== props.me)
        .map(({ id, name }) => ({ id, label: name }))}
    />
  );
}
