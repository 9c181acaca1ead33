import { useDeferredValue, useMemo, useState } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { contentsOf, type Contents } from '@clever-drawer/core/chests/drawer-contents';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import type { ItemId } from '@clever-drawer/core/ids';
import type { Changes } from '../../arrangement/changes';
import type { WindowRuleResults } from '../../arrangement/rules/rule-keeper';
import { useAskedFor, useLook } from '../../arrangement/rules/use-ruled';
import type { ChosenCatalogue, ChosenItem } from '../../catalogue/chosen-catalogue';
import { useLasting } from '../../lib/use-lasting';
import { useToldAtRest } from '../../lib/use-told-at-rest';
import { RuleEditor } from '../rule/rule-editor';
import { FindingSegments, RuleFindings, type Segment } from '../rule/rule-findings';
import { useDraft } from '../rule/use-draft';
import { drawerNames } from './drawer-names';

const COUNTING_AFTER_MS = 200;

interface Props {
  readonly drawer: Drawer;
  readonly contents: Contents<ChosenItem>;
  readonly ruled: WindowRuleResults;
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly changes: Changes;
  readonly about: (id: ItemId) => void;
  /** Draws what stands in it, with why each is there. */
  readonly list: (contents: Contents<ChosenItem>, why: (id: ItemId) => string) => React.ReactNode;
}

/** The inside of a clever drawer: its rule, and beside it what the rule takes, misses and catches wrongly, also while it is being written. */
export function CleverInside({ drawer, contents, ruled, state, catalogue, changes, about, list }: Props) {
  const drawers = drawerNames(state);
  const draft = useDraft(drawer, drawers, changes);
  useAskedFor(draft.condition);
  const { answer: looked, isCurrent } = useLook(drawer.id, draft.condition, ruled);
  // An answer comes within a frame or two, as a rule: only what takes longer is shown as counting.
  const isCounting = useLasting(!isCurrent, COUNTING_AFTER_MS);
  const [segment, setSegment] = useState<Segment>('in');
  const { condition, isOpen } = draft;
  const shown = useMemo(() => {
    if (!isOpen || looked === null) return contents;
    return contentsOf(state, catalogue.byId, drawer, { ...ruled, taken: () => looked.taken });
  }, [isOpen, looked, contents, state, catalogue.byId, drawer, ruled]);
  const why = (id: ItemId): string =>
    isOpen && condition !== null ? ruled.reason(condition, id) : ruled.why(drawer.id, id);
  // While a rule is written the count comes first; the list follows behind, and a letter typed meanwhile is not kept waiting by it.
  const listed = useDeferredValue(shown);
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const behind = useMemo(() => (isOpen ? list(listed, why) : null), [listed, isOpen]);
  const findings = isCurrent ? (looked?.findings ?? null) : null;
  const wish = (kind: 'file' | 'never-in') => (id: ItemId) =>
    void changes.make(
      kind === 'file'
        ? { kind, drawerIds: [drawer.id], pluginIds: [id] }
        : { kind, drawerId: drawer.id, pluginIds: [id] },
    );
  useToldAtRest(isCurrent ? `${String(shown.plugins.length)} in it` : 'counting', isOpen);
  const isEmpty = (one: Segment): boolean =>
    findings === null ||
    (one === 'missed'
      ? findings.missed.length === 0
      : one === 'wrong'
        ? findings.wrong.length === 0
        : findings.idle.length + findings.alike.length === 0);
  const at = segment === 'in' || isEmpty(segment) ? 'in' : segment;
  return (
    <>
      <RuleEditor
        drawer={drawer}
        drawers={drawers}
        draft={draft}
        state={state}
        catalogue={catalogue}
        changes={changes}
      />
      <FindingSegments
        findings={findings}
        held={(isOpen ? !isCounting : ruled.isKnown(drawer.id)) ? shown.plugins.length : null}
        shown={at}
        show={setSegment}
      />
      {at === 'in' || findings === null ? (
        (behind ?? list(shown, why))
      ) : (
        <RuleFindings
          findings={findings}
          segment={at}
          drawer={drawer}
          drawers={drawers}
          state={state}
          catalogue={catalogue}
          keep={draft.keep}
          always={wish('file')}
          never={wish('never-in')}
          about={about}
        />
      )}
    </>
  );
}
