import { emptyArrangement } from '../../src/chests/arrangement';
import { addFolder, folderWithPath, removeFolder, switchFolder } from '../../src/chests/change-folders';
import { applyEdits, inverse } from '../../src/chests/edit';

const folder = { id: 'f', path: '/plugins', addedAt: '2026-11-30T12:00:00.000Z', asks: true, watches: true };

it('a folder that is removed comes back as it was', () => {
  const listed = applyEdits(emptyArrangement(), addFolder(folder).edits);
  expect(folderWithPath(listed, '/plugins')).toEqual(folder);
  const removal = removeFolder(folder).edits;
  const without = applyEdits(listed, removal);
  expect(folderWithPath(without, '/plugins')).toBeUndefined();
  expect(applyEdits(without, inverse(removal)).pluginFolder.get('f')).toEqual(folder);
});

it.each([
  [{ asks: false }, 'don’t load plugins in /plugins'],
  [{ watches: false }, 'don’t watch for arrivals in /plugins'],
  [{ asks: false, watches: false }, 'don’t load plugins and don’t watch for arrivals in /plugins'],
])('turning %j reads “%s”', (switches, label) => {
  const change = switchFolder(folder, switches);
  expect(change.label).toBe(label);
  expect(change.edits).toMatchObject([{ before: folder, after: { ...folder, ...switches } }]);
});

it('a switch that stands as wanted changes nothing', () => {
  expect(switchFolder(folder, { asks: true }).edits).toEqual([]);
});
