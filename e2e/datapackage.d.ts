/** What is used of the library of Data Packages, which has no types of its own. */
declare module 'datapackage' {
  interface Resource {
    read(options: { keyed?: boolean; relations?: boolean }): Promise<unknown[]>;
  }
  export class Package {
    static load(descriptor: string): Promise<Package>;
    readonly errors: unknown[];
    getResource(name: string): Resource;
  }
}
