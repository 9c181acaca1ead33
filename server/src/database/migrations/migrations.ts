import type { MigrationInterface } from 'typeorm';
import { CatalogueAndArrangement1764000000000 } from './1764000000000-catalogue-and-arrangement.js';

/** All migrations, oldest first; one that has landed is never edited. */
export const MIGRATIONS: readonly (new () => MigrationInterface)[] = [CatalogueAndArrangement1764000000000];
