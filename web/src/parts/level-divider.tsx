import styles from './front.module.css';

/** A divider between fronts, with its label; `edit` labels it anew. */
export const LevelDivider = ({ label, edit }: { label: string; edit?: () => void }) =>
  edit === undefined ? (
    <div className={styles.levelDivider} role="separator" aria-label={label === '' ? 'divider' : label}>
      <bdi>{label}</bdi>
    </div>
  ) : (
    <button
      type="button"
      className={styles.levelDivider}
      aria-label={label === '' ? 'Divider' : `Divider ${label}`}
      onClick={edit}
    >
      <bdi>{label}</bdi>
    </button>
  );

/** A divider between the names of chests. */
export const ChestDivider = ({ label }: { label: string }) => (
  <span className={styles.chestDivider} role="separator" aria-label={label === '' ? 'divider' : label}>
    <bdi>{label}</bdi>
  </span>
);
