import { linesToCut, partsToCut } from '../lib/parts-to-cut';
import styles from './cut-name.module.css';

/** A name on one line, cut in the middle where there is no room for all of it. */
export const CutName = ({ name }: { readonly name: string }) => <Cut name={name} parts={partsToCut(name)} as="cut" />;

/** A name on two lines at most: where it is too long, the first is cut and the second shows its end. */
export const CutLines = ({ name }: { readonly name: string }) => (
  <Cut name={name} parts={linesToCut(name)} as="lines" />
);

interface Props {
  readonly name: string;
  readonly parts: readonly [head: string, tail: string];
  readonly as: 'cut' | 'lines';
}

/** What is seen is drawn by pseudo-elements, so that the text that is copied, searched for and read aloud is the whole name in one piece. */
function Cut({ name, parts: [head, tail], as }: Props) {
  if (tail === '') return <bdi className={as === 'lines' ? styles.wrapped : undefined}>{name}</bdi>;
  return (
    <bdi className={styles[as]} data-cut-name data-head={head} data-tail={tail}>
      <span className={styles.whole}>{name}</span>
    </bdi>
  );
}
