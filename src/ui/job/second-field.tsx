import { PickField } from '../kit/combobox';
import type { DossierProps } from './types';

/** Who stands by where two are asked for. */
export function SecondField({ props }: { readonly props: DossierProps }) {
  return (
    <PickField
      label="Second person, signs too"
      name="second"
      options={props.choices.people
        .filter(({ standsBy, id }) => standsBy && id !== props.me)
        .map(({ id, name }) => ({ id, label: name }))}
    />
  );
}
