import { buildAskedBy, type AskedBuild } from '../../src/menu/build-asked';
import { namedDrawers } from '../../src/rules/drawer-names';
import { typedRule } from '../../src/rules/rule';

const MONO: AskedBuild = { format: 'VST3', architectures: ['x86-64'], outputs: 1 };
const OLD: AskedBuild = { format: 'VST2', architectures: ['x86'], outputs: 2 };

describe('the build that a rule asked for', () => {
  const asked = (text: string) => {
    const typed = typedRule(text, namedDrawers([]));
    if (!typed.ok) throw new Error(text);
    const is = buildAskedBy(typed.rule);
    return is === null ? null : [is(MONO), is(OLD)];
  };

  it.each([
    ['width:mono', [true, false]],
    ['gate AND width:stereo', [false, true]],
    ['bits:32 AND NOT type:reverb', [false, true]],
    ['format:VST2', [false, true]],
    ['processor:x86-64 AND width:mono', [true, false]],
    ['format:VST3 AND width:stereo', [false, false]],
  ] as const)('%s', (text, expected) => expect(asked(text)).toEqual(expected));

  it.each(['gate', 'type:reverb', 'width:mono OR gate', 'NOT width:mono', 'format:VST3 OR format:VST2'])(
    '%s asks for none in particular',
    (text) => expect(asked(text)).toBeNull(),
  );
});
