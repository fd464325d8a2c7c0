/** Writes the published JSON Schemas into docs/formats: `npm run formats`. */
import { writeFileSync } from 'node:fs';
import { publishedSchemas } from './schemas';

for (const [name, schema] of Object.entries(publishedSchemas())) {
  writeFileSync(
    new URL(`../../../../docs/formats/${name}.schema.json`, import.meta.url),
    JSON.stringify(schema, null, 2) + '\n',
  );
}
