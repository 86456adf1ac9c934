import { anyVersion, changesBetween, type BatchFile } from '@roskel/core';
import type { BatchSaved } from '@roskel/contract';
import { api, ApiProblem, Offline } from '../api/client';
import { keepHere, keysHere, readHere } from '../ui/keepHere';
import { DRAFTS } from './draftKeys';

export const draftKey = (batchId: string) => DRAFTS + batchId;

/** What was typed into a batch here and is not stored yet, with the stored file it began from. */
export interface Draft {
  revision: number;
  base: BatchFile;
  file: BatchFile;
}

/** What was typed here, whichever version of this program kept it; null where nothing was, or nothing that can be read. */
export function draftOf(batchId: string): Draft | null {
  const draft = readHere<Draft>(draftKey(batchId));
  try {
    return draft && { ...draft, base: draft.base && anyVersion(draft.base), file: anyVersion(draft.file) };
  } catch {
    // Something else wrote there: the page of the batch goes on without it.
    return null;
  }
}

/** What became of a draft that was sent: stored, or to be settled on the page of its batch. */
export interface Sent {
  id: string;
  name: string;
  stored: boolean;
}

/**
 * Sends what was typed into batches that are not open any more, when the server was away: nobody may open them here again.
 * What the server does not take as it is stays here for the page of its batch. Ends where the server does not answer.
 */
export async function sendDrafts(open: ReadonlySet<string>): Promise<{ sent: Sent[]; answered: boolean }> {
  const sent: Sent[] = [];
  for (const key of keysHere(DRAFTS)) {
    const id = key.slice(DRAFTS.length);
    const draft = open.has(id) ? null : draftOf(id);
    // One of a program that knew no base is settled on its page.
    if (!draft?.base) continue;
    const print = JSON.stringify(readHere(key));
    const changes = changesBetween(draft.base, draft.file);
    try {
      if (changes.length > 0) await api.patch<BatchSaved>(`/batches/${id}`, { revision: draft.revision, changes });
      // Typed on in another window meanwhile: that one sees to it.
      if (JSON.stringify(readHere(key)) === print) keepHere(key, null);
      if (changes.length > 0) sent.push({ id, name: draft.file.name, stored: true });
    } catch (error) {
      if (error instanceof Offline) return { sent, answered: false };
      if (!(error instanceof ApiProblem)) throw error;
      sent.push({ id, name: draft.file.name, stored: false });
    }
  }
  return { sent, answered: true };
}
