import { Misused, told } from './told';

try {
  const said = told();
  // Only now: a wrong word is answered at once, before a database is read in.
  const { serve } = await import('./serve');
  await serve(said);
} catch (error) {
  console.error(error instanceof Misused ? error.message : error);
  process.exit(1);
}
