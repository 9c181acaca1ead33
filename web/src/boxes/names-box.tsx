import memoizeOne from 'memoize-one';
import { useId, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { FormBox } from '../parts/form-box';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { NewNames } from '@clever-drawer/core/chests/intent';
import { proposeStripLabel, tagsOf } from '@clever-drawer/core/chests/naming';
import { MAX_STRIP_LABEL_LENGTH } from '@clever-drawer/core/chests/rows/naming';
import { compareNames, fold } from '@clever-drawer/core/text/words';
import type { ChosenItem } from '../catalogue/chosen-catalogue';
import type { Changes } from '../arrangement/changes';
import { NamesTable } from './names-table';
import styles from './boxes.module.css';

/** Nickname, strip label, note and tags of a plugin; for several of them the tags alone. */
export function NamesBox({
  plugins,
  known,
  all,
  changes,
  close,
}: {
  plugins: readonly ChosenItem[];
  /** All tags in use. */
  known: readonly string[];
  /** The catalogue, whose names may be the same. */
  all: readonly ChosenItem[];
  changes: Changes;
  close: () => void;
}) {
  const [only] = plugins.length === 1 ? plugins : [];
  const common = plugins.reduce<readonly string[]>(
    (tags, { naming }, at) =>
      at === 0 ? (naming?.tags ?? []) : tags.filter((tag) => naming?.tags.some((one) => fold(one) === fold(tag))),
    [],
  );
  const [nickname, setNickname] = useState(only?.naming?.nickname ?? '');
  const [label, setLabel] = useState(only?.naming?.stripLabel ?? '');
  const [note, setNote] = useState(only?.naming?.note ?? '');
  const [tags, setTags] = useState(common.join(', '));
  const [isTable, setTable] = useState(false);
  const id = useId();
  const shown = nickname.trim() || (only?.givenName ?? '');
  const wanted = fold(nickname);
  const same =
    only === undefined || wanted === ''
      ? undefined
      : namedIn(all)
          .get(wanted)
          ?.find((one) => one.id !== only.id);
  const has = (list: readonly string[], tag: string): boolean => list.some((one) => fold(one) === fold(tag));
  const tagChanges = (): NewNames => {
    const wantedTags = tagsOf(tags);
    return {
      ...added(wantedTags.filter((tag) => !has(common, tag))),
      ...taken(common.filter((tag) => !has(wantedTags, tag))),
    };
  };
  const submit = (): void => {
    close();
    const before = only?.naming;
    const changed = <K extends 'nickname' | 'stripLabel' | 'note'>(key: K, typed: string): Partial<NewNames> => {
      const value = typed.trim() === '' ? null : typed.trim();
      return value === (before?.[key] ?? null) ? {} : { [key]: value };
    };
    const naming: NewNames = {
      ...(only === undefined
        ? {}
        : { ...changed('nickname', nickname), ...changed('stripLabel', label), ...changed('note', note) }),
      ...tagChanges(),
    };
    if (Object.keys(naming).length > 0)
      void changes.make({ kind: 'name-plugins', pluginIds: plugins.map((plugin) => plugin.id), naming });
  };
  if (isTable) return <NamesTable plugins={plugins} tags={tagChanges()} changes={changes} close={close} />;
  return (
    <FormBox
      title={
        only === undefined ? (
          `Names and notes: ${String(plugins.length)} plugins`
        ) : (
          <bdi>Names and notes: {only.givenName}</bdi>
        )
      }
      act="Save"
      className={styles.fields}
      also={
        only === undefined && (
          <Button variant="link" onClick={() => setTable(true)}>
            Nicknames, strip labels and notes …
          </Button>
        )
      }
      submit={submit}
      close={close}
    >
      {only !== undefined && (
        <>
          <Form.Label htmlFor={`${id}-nickname`}>Nickname</Form.Label>
          <Form.Control
            id={`${id}-nickname`}
            value={nickname}
            maxLength={120}
            autoFocus
            autoComplete="off"
            placeholder={only.givenName}
            onChange={(event) => setNickname(event.target.value)}
            onFocus={(event) => event.target.select()}
          />
          <Form.Text>Shown instead of the given name; typing finds both.</Form.Text>
          {same !== undefined && (
            <p className="flag" role="status">
              {same.vendor === null ? 'Another plugin' : `A plugin of ${same.vendor}`} is called {same.name} already.
            </p>
          )}
          <Form.Label htmlFor={`${id}-label`}>Strip label</Form.Label>
          <Form.Control
            id={`${id}-label`}
            value={label}
            maxLength={MAX_STRIP_LABEL_LENGTH}
            autoComplete="off"
            placeholder={proposeStripLabel(shown)}
            onChange={(event) => setLabel(event.target.value)}
          />
          <Form.Text>
            Up to {MAX_STRIP_LABEL_LENGTH} characters, for mixer slots. Left empty, it is the one shown in grey.
          </Form.Text>
        </>
      )}
      <Form.Label htmlFor={`${id}-tags`}>Tags, separated by commas</Form.Label>
      <Form.Control
        id={`${id}-tags`}
        value={tags}
        autoFocus={only === undefined}
        autoComplete="off"
        list={`${id}-known`}
        placeholder="dark, for the goose"
        onChange={(event) => setTags(event.target.value)}
      />
      <datalist id={`${id}-known`}>
        {known.map((tag) => (
          <option key={tag} value={tag} />
        ))}
      </datalist>
      {only !== undefined && (
        <>
          <Form.Label htmlFor={`${id}-note`}>Note</Form.Label>
          <Form.Control
            id={`${id}-note`}
            as="textarea"
            rows={3}
            maxLength={4000}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        </>
      )}
    </FormBox>
  );
}

const added = (tags: readonly string[]): NewNames => (tags.length === 0 ? {} : { addTags: tags });
const taken = (tags: readonly string[]): NewNames => (tags.length === 0 ? {} : { removeTags: tags });

/** Plugins and presets by every name that they are shown or given under, as search compares names. */
const namedIn = memoizeOne((all: readonly ChosenItem[]): ReadonlyMap<string, readonly ChosenItem[]> => {
  const named = new Map<string, ChosenItem[]>();
  for (const one of all)
    for (const name of new Set([fold(one.name), fold(one.givenName)])) {
      const own = named.get(name);
      if (own === undefined) named.set(name, [one]);
      else own.push(one);
    }
  return named;
});

/** All tags in use, by name. */
export const tagsIn = (state: Arrangement): string[] =>
  [...new Set([...state.naming.values()].flatMap((naming) => naming.tags))].sort(compareNames);
