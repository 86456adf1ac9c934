import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { addStation, cardJsonLd, cardText, endOf, recipeCard, stationKind, stationsOf, strandIn, type Strand } from '@roskel/core';
import { today } from '../format';
import { benchBlocks, cardBlocks } from '../papers/blocks';
import { useBatches } from '../stores/batches';
import { useNotices } from '../stores/notices';
import { useOpenBatch } from '../stores/openBatch';
import { useSettings } from '../stores/settings';
import { download, fileName } from '../ui/download';

/** What is done to the whole batch, and rarely: a new act is a line of the list. `end` is the strand whose bottles one looks at. */
export function useBatchMenu(end: () => Strand | null) {
  const router = useRouter();
  const batch = useOpenBatch();
  const batches = useBatches();
  const notices = useNotices();
  const settings = useSettings();
  /** Sheets that an act opens: making it again, and the question before a batch on its way is archived. */
  const again = ref(false);
  const wanted = ref(false);
  const who = ref(false);
  const asking = ref(false);
  const written = ref(false);
  /** Work that is on its way is not archived by a slip. */
  const running = computed(() => {
    const all = batch.file ? stationsOf(batch.file).map((s) => s.entry) : [];
    return all.some((s) => s.log.doneOn) && all.some((s) => stationKind(s.kind).bottled && !s.log.doneOn);
  });

  function exportFile() {
    const f = batch.file;
    if (f) download(`${fileName(f.name)}.json`, JSON.stringify(f, null, 2) + '\n', 'application/json');
  }
  /** The batch as a recipe that others can follow: as text to send on, or as an open Recipe. */
  function asRecipe(as: 'text' | 'ld') {
    const f = batch.file;
    if (!f) return;
    try {
      const card = recipeCard(f, today());
      if (as === 'text') download(`${fileName(f.name)}.txt`, cardText(card), 'text/plain');
      else download(`${fileName(f.name)}.recipe.json`, JSON.stringify(cardJsonLd(card), null, 2) + '\n', 'application/ld+json');
    } catch (e) {
      notices.fail(e);
    }
  }
  /** Letter where a kitchen is American, A4 everywhere else. */
  async function asPaper(what: 'sheet' | 'card') {
    const { file: f, report } = batch;
    if (!f || !report) return;
    try {
      const { savePaper } = await import('../papers/save');
      const blocks = what === 'sheet' ? benchBlocks(f, report) : cardBlocks(recipeCard(f, today()));
      const title = what === 'sheet' ? `Bench sheet, ${f.name}` : f.name;
      await savePaper(blocks, settings.value.kitchen === 'us' ? 'letter' : 'a4', title, `${fileName(f.name)}-${what}.pdf`);
    } catch (e) {
      notices.fail(e);
    }
  }
  /** To the tasting in front of the bottles one looks at; the line gets a station for it where it has none. */
  async function taste() {
    const strand = end();
    if (!batch.file || !strand) return;
    try {
      const has = (f: typeof batch.file) => strandIn(f, strand.id).stations.find((s) => s.kind === 'trim');
      if (!has(batch.file))
        batch.change('Trim', batch.carried(addStation(batch.file, 'trim', { stationId: endOf(strand).id, where: 'before' })));
      await router.push({ name: 'trim', params: { id: batch.id, station: has(batch.file)!.id } });
    } catch (e) {
      notices.fail(e);
    }
  }
  async function archive() {
    asking.value = false;
    try {
      await batch.save();
      await batches.archive.put(batch.id, batch.file!.name);
      await router.push('/batches');
      notices.say('Archived. Undo brings it back, and so does the archive.');
    } catch (e) {
      notices.fail(e);
    }
  }
  const to = (name: string) => void router.push({ name, params: { id: batch.id } });
  const acts = computed((): readonly { key: string; label: string; run: () => void }[] => [
    { key: 'counter', label: 'At the counter', run: () => to('counter') },
    { key: 'trim', label: 'Taste and put right', run: () => void taste() },
    { key: 'wanted', label: 'Wanted by a day', run: () => (wanted.value = true) },
    { key: 'again', label: 'Make it again', run: () => (again.value = true) },
    { key: 'cost', label: 'What it costs', run: () => to('cost') },
    { key: 'beside', label: 'Beside another batch', run: () => void router.push({ name: 'compare', query: { of: batch.id } }) },
    { key: 'record', label: 'The record', run: () => void router.push({ name: 'record', params: { kind: 'batch', id: batch.id } }) },
    { key: 'log', label: 'Who did what', run: () => (who.value = true) },
    ...(batch.file?.recipe ? [{ key: 'written', label: 'The recipe as it was written', run: () => void (written.value = true) }] : []),
    { key: 'export', label: 'Export the file', run: exportFile },
    { key: 'text', label: 'Save as a recipe, plain text', run: () => asRecipe('text') },
    { key: 'ld', label: 'Save as a Recipe (JSON-LD)', run: () => asRecipe('ld') },
    { key: 'sheet', label: 'Save the bench sheet, PDF', run: () => void asPaper('sheet') },
    { key: 'card', label: 'Save as a recipe card, PDF', run: () => void asPaper('card') },
    { key: 'print', label: 'Print the bench sheet', run: () => window.print() },
    { key: 'archive', label: 'Archive', run: () => (running.value ? (asking.value = true) : void archive()) },
  ]);
  const options = computed(() => acts.value.map(({ key, label }) => ({ key, label })));
  const act = (key: string) => acts.value.find((a) => a.key === key)?.run();
  return { options, act, again, wanted, who, asking, written, archive, exportFile };
}
