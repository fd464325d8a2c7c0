/** Files and folders as they are dropped or chosen, and how they are brought to the server. */
import type { Job } from '@loom-kin/contract';
import { api, call } from '../../api/api';

export interface Brought {
  /** Its name with the folders it lies in. */
  path: string;
  file: File;
}

/** So many go in one request. */
export const FILES_AT_MOST = 2000;

/** Files that were chosen; a chosen folder says where each lies. */
export const chosenFiles = (files: FileList | null): Brought[] =>
  [...(files ?? [])].map((file) => ({ file, path: file.webkitRelativePath || file.name }));

/** Everything that was dropped, the folders gone through. */
export async function droppedFiles(data: DataTransfer | null): Promise<Brought[]> {
  if (!data) return [];
  // Entries have to be asked for before anything is waited for: afterwards they are gone.
  const entries = [...data.items].map((item) => item.webkitGetAsEntry()).filter((entry) => entry !== null);
  if (entries.length === 0) return chosenFiles(data.files);
  return (await Promise.all(entries.map((entry) => filesIn(entry, '')))).flat();
}

async function filesIn(entry: FileSystemEntry, folder: string): Promise<Brought[]> {
  const path = `${folder}${entry.name}`;
  if (entry.isFile) {
    const file = await new Promise<File>((done, failed) => (entry as FileSystemFileEntry).file(done, failed));
    return [{ path, file }];
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const found: Brought[] = [];
  for (;;) {
    // A reader hands out a hundred at a time, and none at the end.
    const some = await new Promise<FileSystemEntry[]>((done, failed) => reader.readEntries(done, failed));
    if (some.length === 0) return found;
    for (const one of some) found.push(...(await filesIn(one, `${path}/`)));
  }
}

const isHidden = ({ path }: Brought) => /(^|\/)(\.|Thumbs\.db$|desktop\.ini$)/i.test(path);

/** Brings files to the server, to a family or to whichever they belong to. */
export async function bringFiles(files: readonly Brought[], family?: string, signal?: AbortSignal): Promise<Job> {
  const form = new FormData();
  for (const { file, path } of files.filter((one) => !isHidden(one)).slice(0, FILES_AT_MOST))
    form.append('files', file, path);
  return call(api.bringPictures, { form, query: family ? { family } : {}, ...(signal ? { signal } : {}) });
}

/** Addresses in a text: one a line, or parted by blanks, commas or semicolons. */
export const addressesIn = (text: string): string[] => [...new Set(text.split(/[\s,;]+/).filter(Boolean))];
