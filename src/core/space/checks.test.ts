import { listSpaceChecks, type CheckPhase, type SpaceFacts } from '.';

const CHAMBER: SpaceFacts = { machine: false, hot: false };
const MILL: SpaceFacts = { machine: true, hot: false };

describe('what is looked at round an opening', () => {
  it.each<[string, CheckPhase, SpaceFacts, string[]]>([
    ['a chamber, before it is opened', 'open', CHAMBER, ['vehicles']],
    ['a mill, before it is opened', 'open', MILL, ['vehicles', 'hatch']],
    ['a mill with hot work inside', 'open', { machine: true, hot: true }, ['vehicles', 'hatch', 'dust-collector']],
    ['a chamber, before anybody goes in', 'enter', CHAMBER, ['ladder', 'tools', 'light', 'cylinders', 'monitor', 'blower']],
    ['a mill, before anybody goes in', 'enter', MILL, ['ladder', 'tools', 'light', 'cylinders', 'monitor', 'blower', 'anchor', 'dust']],
    ['a tank with hot work inside', 'enter', { machine: false, hot: true }, ['ladder', 'tools', 'light', 'cylinders', 'monitor', 'blower', 'contents']],
  ])('%s', (_, phase, facts, expected) => {
    expect(listSpaceChecks(phase, facts)).toEqual(expected);
  });
}); // prettier-ignore
