/** What accounts were told of single children, where those go over to another family or are no more. */
import { NO_WISH, type Family, type Wish } from './shape';

type Wishes = Family['wishes'];

/** Wishes that name none of the children that are gone. The very same where they named none. */
export function wishesWithout(wishes: Wishes, gone: (childId: string) => boolean): Wishes {
  const named = Object.values(wishes).some((wish) => childrenOf(wish).some(gone));
  if (!named) return wishes;
  return Object.fromEntries(Object.entries(wishes).map(([account, wish]) => [account, only(wish, (id) => !gone(id))]));
}

/** Wishes that say of children where they are what others said of them where they were. @param to old id → new id */
export function wishesCarried(into: Wishes, from: Wishes, to: ReadonlyMap<string, string>): Wishes {
  const carried = { ...into };
  for (const [account, wish] of Object.entries(from)) {
    const { leaveOut, entries = {} } = only(wish, (id) => to.has(id));
    const there = carried[account] ?? NO_WISH;
    if (leaveOut.length + Object.keys(entries).length === 0) continue;
    const named = Object.fromEntries(Object.entries(entries).map(([id, entry]) => [to.get(id)!, entry]));
    carried[account] = {
      ...there,
      leaveOut: [...there.leaveOut, ...leaveOut.map((id) => to.get(id)!)],
      ...(Object.keys(named).length > 0 ? { entries: { ...there.entries, ...named } } : {}),
    };
  }
  return carried;
}

const childrenOf = ({ leaveOut, entries = {} }: Wish): string[] => [...leaveOut, ...Object.keys(entries)];

function only(wish: Wish, isMeant: (childId: string) => boolean): Wish {
  const { entries, ...rest } = wish;
  const kept = Object.entries(entries ?? {}).filter(([id]) => isMeant(id));
  return {
    ...rest,
    leaveOut: wish.leaveOut.filter(isMeant),
    ...(kept.length > 0 ? { entries: Object.fromEntries(kept) } : {}),
  };
}
