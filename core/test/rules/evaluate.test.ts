import fc from 'fast-check';
import { countOf, numbersIn } from '../../src/rules/bits';
import { several, termsOf, type Condition } from '../../src/rules/condition';
import { cut } from '../../src/rules/cut';
import { KEPT_DRAWERS } from '../../src/rules/drawer-names';
import { compareVersions, meets, meetsTerm, type RuleWorld } from '../../src/rules/evaluate';
import { explain } from '../../src/rules/explain';
import { readRule } from '../../src/rules/read';
import { RuleColumns } from '../../src/rules/columns';
import { RuleBook } from '../../src/rules/rule-book';
import { circleOf } from '../../src/rules/rule-order';
import type { RuleFacts } from '../../src/rules/rule-facts';
import { asId, type ItemId } from '../../src/ids';
import { anyCatalogue, anyCondition, anyFacts, plugin } from './random-rules';

const TODAY = '2026-11-25';
const world: RuleWorld = { today: TODAY, holds: () => false };
const rule = (typed: string): Condition => {
  const read = readRule(typed, KEPT_DRAWERS);
  if (!read.ok) throw new Error(read.problem.words);
  return read.condition;
};
const takes = (typed: string, facts: Partial<RuleFacts>): boolean => meets(rule(typed), plugin(facts), world);
const named = (typed: string, ...names: string[]): boolean => takes(typed, { names });

describe('words of a rule', () => {
  it.each([
    ['eq', 'Copper EQ', true],
    ['eq', 'EQ-Tilt', true],
    ['eq', 'Sequencer', false],
    ['eq', 'Frequency Shifter', false],
    ['comp', 'Buttonquay Compressor', true],
    ['"comp"', 'Buttonquay Compressor', false],
    ['*press*', 'Buttonquay Compressor', true],
    ['tape ech', 'Goosehitch Tape Echoes', true],
    ['tape ech', 'Tape Slap Echo', false],
    ['tx73', 'TX-73', true],
    ['73', 'TX73 Organ', true],
    ['7', 'TX73 Organ', false],
    ['höhle', 'HOHLE Gasse', true],
    ['*pper pl*', 'Copper  Plate', true],
  ])('%s meets “%s”: %s', (typed, name, expected) => expect(named(typed, name)).toBe(expected));

  it('a nickname does not take a plugin out of its drawer: given name and nickname are both looked at', () => {
    expect(named('plate', 'Copper Plate', 'the big one')).toBe(true);
    expect(named('big', 'Copper Plate', 'the big one')).toBe(true);
    expect(named('plate the', 'Copper Plate', 'the big one')).toBe(false);
  });
  it('"delay" and not "compensator" leaves the delay compensator out', () => {
    expect(named('delay but not compensator', 'Delay Compensator')).toBe(false);
    expect(named('delay but not compensator', 'Puddle Delay')).toBe(true);
  });
});

describe('fields of a rule', () => {
  it.each([
    ['type:reverb@declared', { types: ['reverb'], typeGrade: 'likely' }, false],
    ['type:reverb@likely', { types: ['reverb'], typeGrade: 'declared' }, true],
    ['family:space', { types: ['reverb'] }, true],
    ['bits:32', { processors: ['x86-64', 'x86'] }, true],
    ['width:mono', { outputs: 1 }, true],
    ['version:>=2.9', { versions: ['2.10.1'] }, true],
    ['version:2.9', { versions: ['2.9.0'] }, true],
    ['inputs:0', { inputs: null }, false],
    ['NOT inputs:0', { inputs: null }, true],
    ['arrived:30d', {}, true],
    ['arrived:10d', {}, false],
    ['arrived:30d', { arrivedWithFolder: true }, false],
    ['arrived:>=2026-11-01', { arrivedWithFolder: true }, true],
    ['arrived:>=2026-11-01', {}, true],
    ['arrived:<2026-11-01', {}, false],
    ['loaded:<2026-11-01', {}, false],
    ['loads:>1', { loads: 2 }, true],
    ['tray:any', { trays: [3] }, true],
    ['drawer:#d1', { drawers: ['d1'] }, true],
    ['folder:reverbs', { folders: ['/opt/plugins/Studio Reverbs'] }, true],
    ['folder:"Studio Reverbs/Plates"', { folders: ['C:\\Studio Reverbs\\Plates'] }, true],
    ['folder:plates', { folders: ['/opt/plugins/Reverbs'], names: ['Plates'] }, false],
    ['text:reverbs', { folders: ['/opt/plugins/Reverbs'] }, false],
    ['aside:demo', { asideAs: 'demo' }, true],
    ['aside:"not for me"', { asideAs: 'not for me' }, true],
    ['aside:demo', { asideAs: null }, false],
    ['text:dusk', { description: 'For dusk and dawn' }, true],
    ['preset:dusk', { presets: ['Cold dusk'] }, true],
    ['is:filed', { drawers: ['d1'] }, true],
  ] as const)('%s', (typed, facts, expected) => expect(takes(typed, facts as Partial<RuleFacts>)).toBe(expected));

  it('versions compare part by part', () => {
    expect(compareVersions('1.10', '1.9')).toBeGreaterThan(0);
    expect(compareVersions('1.0', '1')).toBe(0);
  });
});

// Unicode Standard Annex #29 says where words end; it parts neither at capitals nor digits, so texts without them inside words are compared.
it('cuts words where Unicode UAX #29 does, as far as that goes', () => {
  const segmenter = new Intl.Segmenter('en', { granularity: 'word' });
  const letters = fc.constantFrom('echo', 'hall', 'größe', 'éclat', 'зал', 'ηχώ', 'plate');
  const between = fc.constantFrom(' ', ' - ', ', ', ' / ', ' (', ') ', '! ', ' – ', '\u3000');
  fc.assert(
    fc.property(fc.array(fc.tuple(letters, between), { maxLength: 8 }), (parts) => {
      const text = parts.flat().join('');
      const standard = [...segmenter.segment(text)]
        .filter((one) => one.isWordLike)
        .map((one) => cut(one.segment).join(''));
      expect(cut(text)).toEqual(standard);
    }),
    { seed: 13 },
  );
});

describe('laws of boolean algebra', () => {
  // Augustus De Morgan's laws, absorption and idempotence, as in any textbook of logic.
  it('De Morgan, absorption and idempotence hold', () => {
    fc.assert(
      fc.property(anyCondition(), anyCondition(), anyFacts('p0'), (a, b, facts) => {
        const is = (condition: Condition): boolean => meets(condition, facts, world);
        const not = (of: Condition): Condition => ({ kind: 'not', of });
        const any = several('any', [a, b]);
        const all = several('all', [a, b]);
        expect(is(not(any))).toBe(is(several('all', [not(a), not(b)])));
        expect(is(not(all))).toBe(is(several('any', [not(a), not(b)])));
        expect(is(several('any', [a, all]))).toBe(is(a));
        expect(is(several('all', [a, any]))).toBe(is(a));
        expect(is(several('any', [a, a]))).toBe(is(a));
        expect(is(not(not(a)))).toBe(is(a));
      }),
      { seed: 14, numRuns: 500 },
    );
  });
});

it('all plugins asked by columns are those that meet the rule one by one', () => {
  fc.assert(
    fc.property(
      anyCatalogue(40),
      fc.array(anyCondition([]), { minLength: 1, maxLength: 6 }),
      (catalogue, conditions) => {
        const columns = new RuleColumns(catalogue);
        for (const condition of conditions) {
          const bits = columns.answer(condition, world, () => new Uint32Array(2));
          const plain = catalogue.flatMap((facts, at) => (meets(condition, facts, world) ? [at] : []));
          expect(numbersIn(bits)).toEqual(plain);
          expect(countOf(bits)).toBe(plain.length);
        }
      },
    ),
    { seed: 15, numRuns: 150 },
  );
});

it('an explanation decides: its terms told the other way round change the result', () => {
  fc.assert(
    fc.property(anyCondition(), anyFacts('p0'), (condition, facts) => {
      const { holds, because } = explain(condition, facts, world);
      expect(holds).toBe(meets(condition, facts, world));
      expect(because.length).toBeGreaterThan(0);
      for (const { term, holds: told } of because) expect(meetsTerm(term, facts, world)).toBe(told);
      // Where one term is asked for and left out at once, nothing decides; such rules say nothing.
      const keys = termsOf(condition).map((term) => JSON.stringify(term));
      if (new Set(keys).size < keys.length) return;
      const turned = new Set(because.map(({ term }) => JSON.stringify(term)));
      expect(turnedResult(condition, facts, turned)).toBe(!holds);
    }),
    { seed: 16, numRuns: 2000 },
  );
});

function turnedResult(condition: Condition, facts: RuleFacts, turned: ReadonlySet<string>): boolean {
  const result = (one: Condition): boolean => turnedResult(one, facts, turned);
  switch (condition.kind) {
    case 'any':
      return condition.of.some(result);
    case 'all':
      return condition.of.every(result);
    case 'not':
      return !result(condition.of);
    default:
      return meetsTerm(condition, facts, world) !== turned.has(JSON.stringify(condition));
  }
}

describe('results kept per rule and plugin', () => {
  const drawers = ['d1', 'd2', 'd3'];
  // Each rule may look at the drawers before it, so that there are no circles.
  const anyRules = fc.tuple(...drawers.map((_, at) => anyCondition(drawers.slice(0, at))));
  const edit = fc.oneof(
    fc.record({
      facts: fc
        .nat(29)
        .chain((at) => anyFacts(`p${String(at)}`))
        .map((one) => [one]),
    }),
    fc.record({ gone: fc.nat(29).map((at) => [asId<ItemId>(`p${String(at)}`)]) }),
    fc.nat(2).chain((at) =>
      fc.record({
        rules: anyCondition(drawers.slice(0, at)).map((condition) => [[drawers[at] ?? '', condition] as const]),
      }),
    ),
    fc.record({ unruled: fc.constantFrom(...drawers).map((one) => [one]) }),
    fc.record({ today: fc.constantFrom('2026-11-25', '2026-11-26', '2027-06-30') }),
  );

  it('incremental equals full after any edits, and tells which drawers changed', () => {
    fc.assert(
      fc.property(anyCatalogue(30), anyRules, fc.array(edit, { maxLength: 12 }), (catalogue, conditions, edits) => {
        const book = new RuleBook();
        const rules = new Map(drawers.map((drawer, at) => [drawer, conditions[at] ?? rule('x')]));
        const facts = new Map(catalogue.map((one) => [one.id, one]));
        let today = TODAY;
        book.change({ facts: catalogue, rules: [...rules], today });
        for (const one of edits) {
          const before = new Map(drawers.map((drawer) => [drawer, book.taken(drawer).join()]));
          const changed = new Set(book.change(one));
          if ('facts' in one) for (const each of one.facts) facts.set(each.id, each);
          if ('gone' in one) for (const id of one.gone) facts.delete(id);
          if ('rules' in one) for (const [drawer, condition] of one.rules) rules.set(drawer, condition);
          if ('unruled' in one) for (const drawer of one.unruled) rules.delete(drawer);
          if ('today' in one) today = one.today;
          const full = new RuleBook();
          full.change({ facts: [...facts.values()], rules: [...rules], today });
          for (const drawer of drawers) {
            expect(new Set(book.taken(drawer))).toEqual(new Set(full.taken(drawer)));
            if (!changed.has(drawer)) expect(book.taken(drawer).join()).toBe(before.get(drawer));
          }
        }
      }),
      { seed: 17, numRuns: 300 },
    );
  });

  it('what a rule is told never to take stays out, and presets come only when it speaks of them', () => {
    const book = new RuleBook();
    const preset = plugin({ id: asId<ItemId>('s'), item: 'preset' });
    book.change({
      facts: [plugin({ nevers: ['d1'] }), preset],
      rules: [
        ['d1', rule('plate')],
        ['d2', rule('plate')],
        ['d3', rule('plate item:preset')],
        ['d4', rule('drawer:#d2')],
      ],
      today: TODAY,
    });
    expect(['d1', 'd2', 'd3', 'd4'].map((drawer) => book.taken(drawer))).toEqual([[], ['p'], ['s'], ['p']]);
  });

  it('a circle of rules is named', () => {
    const rules = new Map([
      ['a', rule('drawer:#b')],
      ['b', rule('echo or drawer:#c')],
      ['c', rule('plate')],
    ]);
    expect(circleOf(rules, 'c', rule('drawer:#a'))).toEqual(['c', 'a', 'b', 'c']);
    expect(circleOf(rules, 'c', rule('drawer:#c'))).toEqual(['c', 'c']);
    expect(circleOf(rules, 'c', rule('hall'))).toBeNull();
  });
});
