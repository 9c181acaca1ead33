import { NameBox } from './name-box';

interface Props {
  readonly title: string;
  /** Its label; null where there is no divider yet. */
  readonly first: string | null;
  /** Told only what changes it; null takes it away. */
  readonly done: (label: string | null) => void;
  readonly close: () => void;
}

/** Labels a divider between drawers or chests, or takes it away. */
export function DividerBox({ title, first, done, close }: Props) {
  const remove = (): void => {
    close();
    done(null);
  };
  return (
    <NameBox
      title={title}
      label="Label (empty: a plain line)"
      first={first ?? ''}
      mayBeEmpty
      {...(first === null ? {} : { also: { words: 'Remove the divider', act: remove } })}
      close={close}
      done={(label) => {
        close();
        if (label !== first) done(label);
      }}
    />
  );
}
