import { PGlite } from '@electric-sql/pglite';
let t=Date.now(); const a=await PGlite.create(); await a.query('select 1'); console.log('create',Date.now()-t);
t=Date.now(); const b=await PGlite.create(); await b.query('select 1'); console.log('create2',Date.now()-t);
t=Date.now(); const dump=await b.dumpDataDir('none'); console.log('dump',Date.now()-t, dump.size);
t=Date.now(); const c=await PGlite.create({loadDataDir:dump}); await c.query('select 1'); console.log('load',Date.now()-t);
