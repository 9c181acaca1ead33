import { createContext, use } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { pluginOfItem } from '@clever-drawer/core/chests/item';
import type { ComputerId, ItemId } from '@clever-drawer/core/ids';
import type { ChosenItem } from './chosen-catalogue';
import { TypeGlyph } from './type-glyph';
import { useComputer } from '../lib/use-computer';
import styles from './catalogue.module.css';

/** The pictures that the producer gave, by plugin. */
export const FacesContext = createContext<Arrangement['face']>(new Map());

/** The address of a plugin's picture: the producer's own, else one that came with a build; null when there is none. */
export function faceOf(
  computer: ComputerId,
  plugin: { readonly id: ItemId; readonly builds: readonly { readonly id: string; readonly pictures: number }[] },
  faces: Arrangement['face'],
): string | null {
  const own = faces.get(pluginOfItem(plugin.id));
  if (own !== undefined) return `/api/computers/${computer}/pictures/${own.picture}`;
  const build = plugin.builds.find((one) => one.pictures > 0);
  return build === undefined ? null : `/api/computers/${computer}/builds/${build.id}/pictures/0`;
}

/** A plugin's picture, or its glyph where it has none. */
export function Face({ plugin }: { plugin: ChosenItem }) {
  const computer = useComputer();
  const source = faceOf(computer.id, plugin, use(FacesContext));
  return (
    <span className={styles.smallFace}>
      {source === null ? (
        <TypeGlyph types={plugin.types} role={plugin.role} likely={plugin.typeGrade === 'likely'} />
      ) : (
        <img src={source} alt="" loading="lazy" draggable={false} />
      )}
    </span>
  );
}
