// What the tests need from Debian, installed where it is missing: run beside the installation of packages.
import { ensureChromium } from './setup.mjs';
import { ensurePostgres } from './postgres.mjs';

ensureChromium();
ensurePostgres();
