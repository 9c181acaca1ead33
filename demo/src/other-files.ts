import { entryOfFile, type OtherFile } from '@clever-drawer/core/chests/other-files';
import type { Api, Change } from './play-scenes.js';

/** Where the made-up music program keeps its racks and grooves, below the folder that holds both computers. */
export const RACKS = 'music-room-mac/Music/Marquee Racks';

/** Racks and grooves as the puppet theatre calls them, folder by folder. */
const FILES: Readonly<Record<string, readonly string[]>> = {
  Puppets: ['Goose in a Barrel', 'King with a Cold', 'Marionette Choir', 'Narrator by the Fire', 'Init'],
  Weather: ['Thunder behind the Hill', 'Rain on Canvas', 'Wind in the Flies', 'Fog Horn, Two Rivers Away'],
  Instruments: ['Accordion with a Leak', 'Toy Piano in a Tin', 'Bowed Saw at Night', 'Harmonium, Wide', 'Init'],
  Stage: ['Footsteps on Planks', 'Trapdoor', 'Curtain Rope', 'Audience of Forty'],
};
const GROOVES = ['March of the Geese', 'Limping Waltz', 'Wagon on Cobbles', 'Polka for Three Legs'];

/** Every rack and groove, by its path below the folder that holds both computers. They are empty: names are all that is read. */
export const otherFiles = (): string[] => [
  ...Object.entries(FILES).flatMap(([folder, names]) => names.map((name) => `${RACKS}/${folder}/${name}.rack`)),
  ...GROOVES.map((name) => `${RACKS}/Grooves/${name}.groove`),
];

/** Adds the folder, and files two of its racks beside plugins. */
export async function fileRacks(
  api: Api,
  computer: string,
  folder: string,
  change: Change,
  drawerIds: readonly string[],
): Promise<void> {
  const at = `/computers/${computer}`;
  const fields = { endings: ['rack', 'groove'], program: 'Marquee Desk', role: null };
  await api('POST', `${at}/file-folders`, { path: folder, ...fields });
  for (;;) {
    const { reading, folders } = await api<{ reading: unknown; folders: { readAt: string | null }[] }>(
      'GET',
      `${at}/file-folders`,
    );
    if (reading === null && folders.every(({ readAt }) => readAt !== null)) break;
    await new Promise((done) => setTimeout(done, 50));
  }
  const { files } = await api<{ files: OtherFile[] }>('GET', `${at}/files?words=weather`);
  const entries = files.slice(0, 2).map((file) => entryOfFile(file, new Date().toISOString()));
  await change({ kind: 'take-in-files', entries });
  await change({ kind: 'file', drawerIds, pluginIds: entries.map(({ id }) => id) });
}
