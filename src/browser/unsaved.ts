import { z } from 'zod';
import { type Plan, planSchema } from '@/core/class';
import { newId } from './new-id';
import { remember } from './remember';

/**
 * Edits that are not saved yet, kept in this browser so that closing the page loses nothing. Every tab
 * keeps its own, and takes over what a tab that is gone has left behind.
 */

const keptSchema = z.object({ plan: planSchema, base: planSchema, version: z.number() });
export type Unsaved = z.infer<typeof keptSchema>;

const TAB_KEY = 'upbeat-tab';
const prefix = (classId: string) => `upbeat-unsaved-${classId}-`;
const lockOf = (tab: string) => `upbeat-tab-${tab}`;

/** The id of this tab; it lasts over a reload. */
function tabId(): string {
  const known = sessionStorage.getItem(TAB_KEY);
  const id = known ?? newId();
  remember(sessionStorage, TAB_KEY, id);
  return id;
}

/** Lets other tabs know that this one is open, for as long as it is. */
export function holdTab(): void {
  void navigator.locks?.request(lockOf(tabId()), () => new Promise(() => {}));
}

/** @returns whether the browser keeps it: there may be no room for it */
export function keepUnsaved(
  classId: string,
  unsaved: { plan: Plan; base: Plan; version: number },
): boolean {
  return remember(localStorage, prefix(classId) + tabId(), JSON.stringify(unsaved));
}

export function forgetUnsaved(classId: string): void {
  localStorage.removeItem(prefix(classId) + tabId());
}

const KEY = /^upbeat-unsaved-([0-9a-f-]{36})-/;

/** Every edit that this browser keeps unsaved, of whichever tab. What can no longer be read has no `unsaved`. */
export function allUnsaved(): { key: string; classId: string; unsaved: Unsaved | undefined }[] {
  return Object.keys(localStorage).flatMap((key) => {
    const classId = KEY.exec(key)?.[1];
    if (classId === undefined) return [];
    const { data } = keptSchema.safeParse(read(localStorage.getItem(key)));
    return [{ key, classId, unsaved: data }];
  });
}

function read(text: string | null): unknown {
  try {
    return JSON.parse(text ?? 'null');
  } catch {
    return null;
  }
}

/** What this tab could not save before it was loaded again, or what a tab that is gone has left. */
export async function takeUnsaved(classId: string): Promise<Unsaved | null> {
  const own = prefix(classId) + tabId();
  // Without locks (no secure context) tabs cannot tell each other apart. What one that is open has not saved yet may be
  // taken from it then; it saves that itself, and both meet in a conflict.
  const held = (await navigator.locks?.query())?.held?.map((lock) => lock.name) ?? [];
  const left = Object.keys(localStorage).filter((key) => {
    if (!key.startsWith(prefix(classId)) || key === own) return false;
    return !held.includes(lockOf(key.slice(prefix(classId).length)));
  });
  for (const key of [own, ...left]) {
    const parsed = keptSchema.safeParse(read(localStorage.getItem(key)));
    if (key !== own) localStorage.removeItem(key);
    if (parsed.success) return parsed.data;
  }
  return null;
}
