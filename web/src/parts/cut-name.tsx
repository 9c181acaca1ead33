import { partsToCut } from '../lib/parts-to-cut';
import styles from './cut-name.module.css';

/** A name on one line, cut in the middle where there is no room for all of it. */
export function CutName({ name }: { readonly name: string }) {
  const [head, tail] = partsToCut(name);
  if (tail === '') return <bdi>{name}</bdi>;
  return (
    <bdi className={styles.cut} data-cut-name>
      <span className={styles.head}>{head}</span>
      <span className={styles.tail}>{tail}</span>
    </bdi>
  );
}
