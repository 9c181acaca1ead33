import type { PluginDetail } from '@clever-drawer/contract/responses';
import type { Evidence, Grade } from '@clever-drawer/core/catalogue/evidence';
import { ROLE_LABELS } from '@clever-drawer/core/catalogue/role';
import { TYPE_TREE } from '@clever-drawer/core/catalogue/type-tree';
import { KeyHint } from '../../keys/key-hint';
import { panelPart } from './panel-parts';
import styles from './plugin.module.css';

const GRADE_WORDS: Readonly<Record<Grade, string>> = {
  chosen: 'chosen by you',
  declared: 'declared by its maker',
  strong: 'detected, certain',
  likely: 'detected, likely',
  unknown: 'unknown',
};

/** What the plugin is, how sure that is, and what it was worked out from. */
export function KindEvidence({ plugin }: { plugin: PluginDetail }) {
  const { role, roleGrade, types, typeGrade, evidence, contradictions } = plugin;
  return (
    <div {...panelPart('type')}>
      <dl className={styles.kind}>
        <dt>
          <KeyHint place="sort" does="toType" /> role
        </dt>
        <dd>
          <b>{role === null ? 'unknown' : ROLE_LABELS[role]}</b>
          {role !== null && <span className="quiet">, {GRADE_WORDS[roleGrade]}</span>}
        </dd>
        <dt>type</dt>
        <dd>
          <b>{types.length === 0 ? 'unknown' : types.map((type) => TYPE_TREE[type].label).join(', ')}</b>
          {types.length > 0 && <span className="quiet">, {GRADE_WORDS[typeGrade]}</span>}
        </dd>
        {evidence.length > 0 && (
          <>
            <dt>because</dt>
            <dd>
              {grouped(evidence).map(([words, says]) => (
                <div key={words}>
                  {words} <span className="quiet">→ {says.join(', ')}</span>
                </div>
              ))}
            </dd>
          </>
        )}
      </dl>
      {roleGrade !== 'chosen' &&
        contradictions.map((sentence) => (
          <p key={sentence} className="note-box attention">
            It {sentence}.
          </p>
        ))}
    </div>
  );
}

/** Evidence of the same words stands in one line: what it was read from, and all that it speaks for. */
function grouped(evidence: readonly Evidence[]): [string, string[]][] {
  const lines = new Map<string, string[]>();
  for (const one of evidence) {
    const words = inWords(one);
    const says = 'role' in one.for ? ROLE_LABELS[one.for.role] : TYPE_TREE[one.for.type].label;
    lines.set(words, [...(lines.get(words) ?? []), says]);
  }
  return [...lines];
}

function inWords({ from, words, format }: Evidence): string {
  switch (from) {
    case 'class':
      return `the ${format ?? ''} build declares “${words}”`;
    case 'ports':
      return `the ${format ?? ''} build has ${words}`;
    case 'name':
      return `its name says “${words}”`;
    case 'description':
      return `its description says “${words}”`;
    case 'identifier':
      return `its identifier ends in “${words}”`;
  }
}
