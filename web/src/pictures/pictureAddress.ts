/** Where the files of a picture are fetched. */

export const fullPicture = (id: string): string => `/pictures/${id}`;
export const smallPicture = (id: string): string => `/pictures/${id}.small`;
