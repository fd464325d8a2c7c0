/** What was read of a list: what its page shows, and the families that it makes. */
import type { RegistryParts } from '@loom-kin/core/export';
import type { AddressedPicture } from '@loom-kin/core/intake';
import type { ListFamilyView, ListRowView, ListView } from '@loom-kin/contract';
import type { FoundFamily } from './foundFamily';

/** Where children of a family are to go it is there twice: as it is where they may stay, and where they go. */
export interface ListFamilyMade extends FoundFamily {
  when?: 'stay' | 'go' | undefined;
}

export interface ListRead {
  found: Omit<ListView, 'id' | 'fileName' | 'account' | 'applied' | 'change' | 'settlement' | 'pictureIntake'>;
  families: { mark: 'plain' | 'doubtful' | 'refused' | 'single'; doc: ListFamilyView }[];
  rows: ListRowView[];
  made: ListFamilyMade[];
  /** Pictures that it names by address, each with its place, once the families are made. */
  pictures: AddressedPicture[];
  /** Names lists with these headers. */
  kind: string;
  /** What of the registry comes with its families, since it is not there yet. */
  registry: RegistryParts | null;
}

/** What goes between threads of it; its families and rows, which may be many, lie in files beside the list. */
export interface ListFound extends Pick<ListRead, 'found' | 'kind' | 'registry'> {
  rows: number;
  /** Children of the families that it makes. */
  children: number;
}
