import { folderName, folderOf, foldersAround, innerFolders } from '../../src/facts/plugin-path';

// Paths as "VST 3 locations" of the VST 3 SDK documentation and the LV2 file system hierarchy name them (from memory).
describe('paths of plugin files', () => {
  it.each([
    ['/usr/lib/vst3/Space/Plate.vst3', '/usr/lib/vst3/Space'],
    ['C:\\Program Files\\Common Files\\VST3\\Plate.vst3', 'C:\\Program Files\\Common Files\\VST3'],
    ['/Plate.so', ''],
    ['Plate.so', ''],
    ['', ''],
  ])('%s stands in %s', (path, folder) => expect(folderOf(path)).toBe(folder));

  it('a folder is inside of all that are around it', () => {
    expect(foldersAround('/usr/lib/vst3')).toEqual(['/usr/lib/vst3', '/usr/lib', '/usr']);
    expect(foldersAround('C:\\VST3\\Space')).toEqual(['C:\\VST3\\Space', 'C:\\VST3', 'C:']);
    expect(foldersAround('')).toEqual([]);
    expect([folderName('/usr/lib/vst3'), folderName('C:\\VST3\\'), folderName('/')]).toEqual(['vst3', 'VST3', '/']);
  });

  it('the folders within a plugin folder are told from the innermost root that fits', () => {
    const roots = ['/opt/plugins/', '/opt/plugins/Mine', '/opt/plug'];
    expect(innerFolders('/opt/plugins/Space/Halls/Hall.vst3', roots)).toEqual(['Space', 'Halls']);
    expect(innerFolders('/opt/plugins/Mine/Old/Hall.vst3', roots)).toEqual(['Old']);
    expect(innerFolders('/opt/plugins/Hall.vst3', roots)).toEqual([]);
    expect(innerFolders('D:\\Plugins\\Space\\Hall.dll', ['D:\\Plugins'])).toEqual(['Space']);
    expect(innerFolders('/elsewhere/Space/Hall.vst3', roots)).toEqual(['Space']);
  });
});
