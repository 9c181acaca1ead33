import type { MigrationInterface } from 'typeorm';
import { CatalogueAndArrangement1764000000000 } from './1764000000000-catalogue-and-arrangement.js';
import { EvidenceAndCorrections1764900000000 } from './1764900000000-evidence-and-corrections.js';
import { Sorting1766000000000 } from './1766000000000-sorting.js';
import { NumberedSteps1767000000000 } from './1767000000000-numbered-steps.js';
import { PresetsInBanks1768000000000 } from './1768000000000-presets-in-banks.js';
import { OneStudio1769000000000 } from './1769000000000-one-studio.js';
import { PresetsInDrawers1770000000000 } from './1770000000000-presets-in-drawers.js';
import { Exceptions1771000000000 } from './1771000000000-exceptions.js';
import { SplitDrawers1772000000000 } from './1772000000000-split-drawers.js';
import { UseAndChains1773000000000 } from './1773000000000-use-and-chains.js';
import { CountingLoads1774000000000 } from './1774000000000-counting-loads.js';
import { CountedProblems1775000000000 } from './1775000000000-counted-problems.js';
import { ManyAtOnce1776000000000 } from './1776000000000-many-at-once.js';
import { StudioEpoch1777000000000 } from './1777000000000-studio-epoch.js';
import { ArrivedWithFolder1778000000000 } from './1778000000000-arrived-with-folder.js';
import { UndoableFolders1779000000000 } from './1779000000000-undoable-folders.js';
import { OwnEntries1780000000000 } from './1780000000000-own-entries.js';
import { LevelsAndPurposes1781000000000 } from './1781000000000-levels-and-purposes.js';
import { FilesAndLooseEntries1782000000000 } from './1782000000000-files-and-loose-entries.js';

/** All migrations, oldest first; one that has landed is never edited. */
export const MIGRATIONS: readonly (new () => MigrationInterface)[] = [
  CatalogueAndArrangement1764000000000,
  EvidenceAndCorrections1764900000000,
  Sorting1766000000000,
  NumberedSteps1767000000000,
  PresetsInBanks1768000000000,
  OneStudio1769000000000,
  PresetsInDrawers1770000000000,
  Exceptions1771000000000,
  SplitDrawers1772000000000,
  UseAndChains1773000000000,
  CountingLoads1774000000000,
  CountedProblems1775000000000,
  ManyAtOnce1776000000000,
  StudioEpoch1777000000000,
  ArrivedWithFolder1778000000000,
  UndoableFolders1779000000000,
  OwnEntries1780000000000,
  LevelsAndPurposes1781000000000,
  FilesAndLooseEntries1782000000000,
];
