import type Database from 'better-sqlite3';

export type Store = Database.Database;
