import { ChoiceField } from '../kit/field';

/** Whether whoever starts something sees everybody; otherwise a message goes to and fro first. */
export const SightField = () => (
  <ChoiceField
    label="Whoever starts it"
    name="sight"
    options={[
      { id: 'seen', label: 'sees everybody' },
      { id: 'message', label: 'does not: a message was read back' },
    ]}
  />
);
