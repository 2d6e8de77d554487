import { perProcess } from './per-process';

describe('what a process has once', () => {
  it('is made once, and found by every copy of a file', () => {
    const made = perProcess('a test', () => new Map([['a', 1]]));
    let other: Map<string, number> | undefined;
    jest.isolateModules(() => {
      // eslint-disable-next-line @typescript-eslint/no-require-imports -- a second copy of the file, as another bundle has it
      const copy = require('./per-process') as { perProcess: typeof perProcess };
      other = copy.perProcess('a test', () => new Map());
    });
    expect(other).toBe(made);
    expect(perProcess('another', () => 1)).toBe(1);
  });
});
