/** Families as rows, sheets and structured data. */
export { type ColumnTold, type Need, type Wanted, catalogueColumns, catalogueRows } from './catalogueRows';
export { PACKAGE_TABLES, type PackageTable, packageDescriptor, packageHeaders, packageRows } from './dataPackage';
export { type RegistryParts, RegistryPartsSchema, accountsNamed, partsMissing, registryUsed } from './registryUsed';
export { productGroup, schemaOrgContext } from './schemaOrg';
