import { asidesOf } from '@clever-drawer/core/chests/asides';
import { useId, useMemo, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { FormBox } from '../parts/form-box';
import type { Intent } from '@clever-drawer/core/chests/intent';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { ASIDE_LABELS, ASIDE_REASONS, MAX_REASON_LENGTH } from '@clever-drawer/core/chests/rows/aside';
import {
  isLabelledDemo,
  demosOf,
  narrowBuilds,
  buildsNotPreferred,
  type AsideWish,
} from '@clever-drawer/core/chests/set-aside';
import { compareNames } from '@clever-drawer/core/text/words';
import type { ChosenCatalogue, ChosenPlugin } from '../catalogue/chosen-catalogue';
import { useComputers } from '../catalogue/queries';
import type { Changes } from '../arrangement/changes';
import { counted } from '../lib/counted';
import styles from './boxes.module.css';

const SHOWN = 8;

/** Sets the selected plugins aside with a reason, or what a rule of thumb names. */
export function AsideBox({
  plugins,
  catalogue,
  state,
  changes,
  close,
}: {
  plugins: readonly ChosenPlugin[];
  catalogue: ChosenCatalogue;
  state: Arrangement;
  changes: Changes;
  close: () => void;
}) {
  const [what, setWhat] = useState<What | null>(plugins.length > 0 ? 'selected' : null);
  const [chosenReason, setReason] = useState<string | null>(() => knownAside(plugins)?.reason ?? null);
  const [note, setNote] = useState(() => knownAside(plugins)?.note ?? '');
  const [isHere, setHere] = useState<boolean | null>(() => knownScope(plugins, state));
  const [until, setUntil] = useState(() => knownAside(plugins)?.until ?? '');
  const vendors = useMemo(
    () =>
      [...new Set(catalogue.plugins.map((plugin) => plugin.vendor).filter((vendor) => vendor !== null))].sort(
        compareNames,
      ),
    [catalogue],
  );
  const [vendor, setVendor] = useState(plugins[0]?.vendor ?? vendors[0] ?? '');
  const id = useId();
  const wish = useMemo(
    () => withoutAside(wishOf(what, plugins, catalogue.plugins, vendor, state.keptBuild), state),
    [what, plugins, catalogue, vendor, state],
  );
  const reason = chosenReason ?? wish.reason;
  const manyComputers = (useComputers().data?.length ?? 1) > 1;
  const here = manyComputers && (isHere ?? ofComputer(reason));
  const nothing = wish.pluginIds.length + wish.builds.length === 0 || reason.trim() === '';
  const submit = (): void => {
    if (nothing) return;
    close();
    const { pluginIds, builds } = wish;
    const intent: Intent = {
      kind: 'set-aside',
      pluginIds,
      builds,
      reason: reason.trim(),
      until: reason === 'demo' && until !== '' ? until : null,
      note: note.trim() === '' ? null : note.trim(),
      here,
    };
    // What a rule of thumb named is told in full: it stands nowhere on the screen.
    if (what === 'selected') void changes.make(intent);
    else void changes.makeWithNotice(`${countOf(wish)} set aside.`, intent);
  };
  return (
    <FormBox
      title="Set aside"
      act="Set aside"
      canAct={!nothing}
      className={styles.fields}
      submit={submit}
      close={close}
    >
      <fieldset>
        <legend className="visually-hidden">What</legend>
        {WHATS.filter((one) => one !== 'selected' || plugins.length > 0).map((one) => (
          <Form.Check
            key={one}
            type="radio"
            name={`${id}-what`}
            id={`${id}-${one}`}
            label={one === 'selected' ? selectedWords(plugins) : WHAT_WORDS[one]}
            checked={what === one}
            autoFocus={what === null && one === 'narrow'}
            onChange={() => {
              setWhat(one);
              setReason(null);
            }}
          />
        ))}
      </fieldset>
      {(what === 'demos' || what === 'vendor') && (
        <>
          <Form.Label htmlFor={`${id}-vendor`}>Vendor</Form.Label>
          <Form.Select id={`${id}-vendor`} value={vendor} onChange={(event) => setVendor(event.target.value)}>
            {vendors.map((one) => (
              <option key={one} value={one}>
                {one}
              </option>
            ))}
          </Form.Select>
        </>
      )}
      <fieldset>
        <legend className="fs-6">Reason</legend>
        {ASIDE_REASONS.map((one, at) => (
          <Form.Check
            key={one}
            inline
            type="radio"
            name={`${id}-reason`}
            id={`${id}-reason-${one}`}
            label={ASIDE_LABELS[one]}
            autoFocus={what !== null && (reason === one || (at === 0 && isOwnReason(reason)))}
            checked={reason === one}
            onChange={() => setReason(one)}
          />
        ))}
      </fieldset>
      <Form.Label htmlFor={`${id}-own-reason`}>Or a reason of your own</Form.Label>
      <Form.Control
        id={`${id}-own-reason`}
        value={isOwnReason(reason) ? reason : ''}
        maxLength={MAX_REASON_LENGTH}
        list={`${id}-own-reasons`}
        onChange={(event) => setReason(event.target.value === '' ? null : event.target.value)}
      />
      <datalist id={`${id}-own-reasons`}>
        {ownReasons(state).map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <Form.Label htmlFor={`${id}-note`}>Note</Form.Label>
      <Form.Control
        id={`${id}-note`}
        as="textarea"
        rows={2}
        value={note}
        maxLength={MAX_NOTE_LENGTH}
        onChange={(event) => setNote(event.target.value)}
      />
      {reason === 'demo' && (
        <>
          <Form.Label htmlFor={`${id}-until`}>The demo ends on (optional)</Form.Label>
          <Form.Control
            id={`${id}-until`}
            type="date"
            value={until}
            onChange={(event) => setUntil(event.target.value)}
          />
        </>
      )}
      {manyComputers && (
        <fieldset>
          <legend className="fs-6">Where</legend>
          {WHERES.map(([label, value]) => (
            <Form.Check
              key={label}
              inline
              type="radio"
              name={`${id}-where`}
              id={`${id}-where-${String(value)}`}
              label={label}
              checked={here === value}
              onChange={() => setHere(value)}
            />
          ))}
        </fieldset>
      )}
      {what === null ? (
        <p className="quiet">Nothing is selected. Choose above what to set aside.</p>
      ) : (
        <Preview wish={wish} catalogue={catalogue} here={here} />
      )}
    </FormBox>
  );
}

const MAX_NOTE_LENGTH = 4000;

/** Why the first of some plugins is set aside already, if it is: its reason and note are offered to be changed. */
const knownAside = ([first]: readonly ChosenPlugin[]) => first?.aside ?? null;

/** Where the first of some plugins is set aside already; null where it is not. */
const knownScope = ([first]: readonly ChosenPlugin[], state: Arrangement): boolean | null =>
  first?.aside == null ? null : state.asideHere.has(first.aside.id);

/** Licences, demos and failures belong to a computer; what the producer does not want is wanted nowhere. */
const ofComputer = (reason: string): boolean => reason === 'demo' || reason === 'not-licensed' || reason === 'faulty';

const WHERES = [
  ['on this computer only', true],
  ['on every computer', false],
] as const;

const isOwnReason = (reason: string): boolean => !isUsual(reason);
const isUsual = (reason: string): boolean => (ASIDE_REASONS as readonly string[]).includes(reason);

/** Reasons of the producer's own that were used before. */
const ownReasons = (state: Arrangement): string[] =>
  [...new Set([...asidesOf(state).values()].map((one) => one.reason))]
    .filter((one) => !isUsual(one))
    .sort(compareNames);

const WHATS = ['selected', 'narrow', 'others', 'demos', 'vendor'] as const;
type What = (typeof WHATS)[number];
const WHAT_WORDS: Readonly<Record<Exclude<What, 'selected'>, string>> = {
  narrow: 'all 32-bit builds of plugins that have another build',
  others: 'all builds that are not preferred',
  demos: 'what a vendor calls demo or trial',
  vendor: 'everything of a vendor, as a demo',
};
const selectedWords = (plugins: readonly ChosenPlugin[]): string =>
  plugins.length === 1 ? (plugins[0]?.name ?? '') : `the ${String(plugins.length)} selected plugins`;

function wishOf(
  what: What | null,
  plugins: readonly ChosenPlugin[],
  all: readonly ChosenPlugin[],
  vendor: string,
  kept: Arrangement['keptBuild'],
): AsideWish {
  switch (what) {
    case null:
      return { pluginIds: [], builds: [], reason: 'not-for-me' };
    case 'selected':
      return {
        pluginIds: plugins.map((plugin) => plugin.id),
        builds: [],
        reason: plugins.length > 0 && plugins.every(isLabelledDemo) ? 'demo' : 'not-for-me',
      };
    case 'narrow':
      return narrowBuilds(all, kept);
    case 'others':
      return buildsNotPreferred(all, kept);
    case 'demos':
      return demosOf(all, vendor, false);
    case 'vendor':
      return demosOf(all, vendor, true);
  }
}

/** Builds that are set aside already are not counted again; a selected plugin may get another reason. */
const withoutAside = (wish: AsideWish, state: Arrangement): AsideWish => ({
  ...wish,
  builds: wish.builds.filter((build) => !asidesOf(state).has(build.id)),
});

/** "20 builds of 14 plugins", "3 plugins". */
function countOf({ pluginIds, builds }: AsideWish): string {
  const plugins = new Set([...pluginIds, ...builds.map((build) => build.pluginId)]).size;
  const ofPlugins = counted(plugins, 'plugin');
  return builds.length === 0 ? ofPlugins : `${counted(builds.length, 'build')} of ${ofPlugins}`;
}

function Preview({ wish, catalogue, here }: { wish: AsideWish; catalogue: ChosenCatalogue; here: boolean }) {
  const ids = [...new Set([...wish.pluginIds, ...wish.builds.map((build) => build.pluginId)])];
  if (ids.length === 0) return <p className="quiet">Nothing matches, so nothing would be set aside.</p>;
  const names = ids.slice(0, SHOWN).map((id) => catalogue.byId.get(id)?.name ?? '');
  const more = ids.length - names.length;
  return (
    <p className="quiet">
      {ids.length > 1 && `${countOf(wish)}: `}
      {names.join(', ')}
      {more > 0 && ` and ${String(more)} more`}. It leaves {here ? 'the menus of this computer' : 'every menu'}, stays
      in the catalogue and in its drawers, and comes back with one click. No file is touched.
    </p>
  );
}
