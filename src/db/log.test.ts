import { withoutValues } from './log';

describe('what goes into the log', () => {
  it('never holds the values of a statement', () => {
    const stack =
      'Error: Failed query: update "person" set "pin_hash" = ?\nparams: $argon2id$abc,ada\nmore of it\n    at run (/srv/x.js:1:1)';
    expect(withoutValues(stack)).toBe(
      'Error: Failed query: update "person" set "pin_hash" = ?\nparams: not written down\n    at run (/srv/x.js:1:1)',
    );
    expect(withoutValues('Error: Failed query: x\nparams: secret')).not.toContain('secret');
    expect(withoutValues('Error: other')).toBe('Error: other');
  });
});
