import { useId, useMemo, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { FormBox } from '../parts/form-box';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { ASIDE_LABELS, ASIDE_REASONS, type AsideReason } from '@clever-drawer/core/chests/rows/aside';
import {
  callsItselfDemo,
  demosOf,
  narrowBuilds,
  otherBuilds,
  type AsideWish,
} from '@clever-drawer/core/chests/set-aside';
import { compareNames } from '@clever-drawer/core/text/words';
import type { ChosenCatalogue, ChosenPlugin } from '../catalogue/chosen-catalogue';
import type { Changes } from '../arrangement/changes';
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
  const [what, setWhat] = useState<What>(plugins.length > 0 ? 'selected' : 'narrow');
  const [chosenReason, setReason] = useState<AsideReason | null>(null);
  const [until, setUntil] = useState('');
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
    () => withoutAside(wishOf(what, plugins, catalogue.plugins, vendor), state),
    [what, plugins, catalogue, vendor, state],
  );
  const reason = chosenReason ?? wish.reason;
  const nothing = wish.pluginIds.length + wish.builds.length === 0;
  const submit = (): void => {
    if (nothing) return;
    close();
    const { pluginIds, builds } = wish;
    const end = reason === 'demo' && until !== '' ? until : null;
    void changes.make({ kind: 'set-aside', pluginIds, builds, reason, until: end });
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
      <Form.Label htmlFor={`${id}-reason`}>Reason</Form.Label>
      <Form.Select
        id={`${id}-reason`}
        autoFocus
        value={reason}
        onChange={(event) => setReason(event.target.value as AsideReason)}
      >
        {ASIDE_REASONS.map((one) => (
          <option key={one} value={one}>
            {ASIDE_LABELS[one]}
          </option>
        ))}
      </Form.Select>
      {reason === 'demo' && (
        <>
          <Form.Label htmlFor={`${id}-until`}>The demo ends on (if it does)</Form.Label>
          <Form.Control
            id={`${id}-until`}
            type="date"
            value={until}
            onChange={(event) => setUntil(event.target.value)}
          />
        </>
      )}
      <Preview wish={wish} catalogue={catalogue} />
    </FormBox>
  );
}

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

function wishOf(what: What, plugins: readonly ChosenPlugin[], all: readonly ChosenPlugin[], vendor: string): AsideWish {
  switch (what) {
    case 'selected':
      return {
        pluginIds: plugins.map((plugin) => plugin.id),
        builds: [],
        reason: plugins.length > 0 && plugins.every(callsItselfDemo) ? 'demo' : 'not-for-me',
      };
    case 'narrow':
      return narrowBuilds(all);
    case 'others':
      return otherBuilds(all);
    case 'demos':
      return demosOf(all, vendor, false);
    case 'vendor':
      return demosOf(all, vendor, true);
  }
}

/** Builds that are set aside already are not counted again; a selected plugin may get another reason. */
const withoutAside = (wish: AsideWish, state: Arrangement): AsideWish => ({
  ...wish,
  builds: wish.builds.filter((build) => !state.aside.has(build.id)),
});

function Preview({ wish, catalogue }: { wish: AsideWish; catalogue: ChosenCatalogue }) {
  const ids = [...new Set([...wish.pluginIds, ...wish.builds.map((build) => build.pluginId)])];
  if (ids.length === 0) return <p className="quiet">Nothing fits this: nothing would be set aside.</p>;
  const names = ids.slice(0, SHOWN).map((id) => catalogue.byId.get(id)?.name ?? '');
  const more = ids.length - names.length;
  const count =
    wish.builds.length > 0 ? `${String(wish.builds.length)} ${wish.builds.length === 1 ? 'build' : 'builds'} of ` : '';
  return (
    <p className="quiet">
      {count}
      {names.join(', ')}
      {more > 0 && ` and ${String(more)} more`}. What is set aside leaves every menu, stays in the catalogue and in its
      drawers, and comes back with one click. Nothing on the disk is touched.
    </p>
  );
}
