#!/usr/bin/env node
// npm start: installs what is missing, builds what is out of date, and runs the server.
import { pathToFileURL } from 'node:url';
import {
  buildApplication,
  bundledStart,
  ensureFolders,
  ensurePackages,
  ensurePrograms,
  MARIADB,
  root,
} from './lib/prepare.mjs';

process.chdir(root);
ensurePackages();
if (!process.env.OILWICK_DATABASE_URL) ensurePrograms(MARIADB);
ensureFolders();
buildApplication('.next');
await import(pathToFileURL(await bundledStart()).href);
