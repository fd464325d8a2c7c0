/** The OpenAPI 3.1 document, made from the endpoints. JSON Schema 2020-12, as 3.1 has it. */
import { z } from 'zod';
import { endpoints } from './endpoints';
import type { Endpoint } from './endpoint';
import { ProblemSchema } from './problem';

const schemaOf = (schema: z.ZodType, io: 'input' | 'output') => {
  const { $schema: _dialect, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any' });
  return rest;
};

/** The whole document as plain data. */
export function openApiDocument(): Record<string, unknown> {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const [name, endpoint] of Object.entries(endpoints) as [string, Endpoint][]) {
    const path = endpoint.path.replace(/:(\w+)/g, '{$1}');
    (paths[path] ??= {})[endpoint.method] = {
      operationId: name,
      summary: endpoint.summary,
      parameters: [...parameters(endpoint.params, 'path'), ...parameters(endpoint.query, 'query')],
      ...requestOf(endpoint),
      responses: {
        200: { description: 'Done', content: contentOf(endpoint) },
        default: {
          description: 'Refused or failed',
          content: { 'application/json': { schema: { $ref: '#/components/schemas/Problem' } } },
        },
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Loom Kin', version: '1' },
    paths,
    components: { schemas: { Problem: schemaOf(ProblemSchema, 'output') } },
  };
}

/** What comes in: JSON, or files as a form. */
function requestOf({ body, upload }: Endpoint) {
  if (upload) {
    const files = { type: 'array', items: { type: 'string', format: 'binary' } };
    const schema = { type: 'object', required: [upload], properties: { [upload]: files } };
    return { requestBody: { required: true, content: { 'multipart/form-data': { schema } } } };
  }
  if (body instanceof z.ZodUndefined) return {};
  return { requestBody: { required: true, content: { 'application/json': { schema: schemaOf(body, 'input') } } } };
}

/** What goes out: JSON, or a file. */
function contentOf({ response, download }: Endpoint) {
  if (!download) return { 'application/json': { schema: schemaOf(response, 'output') } };
  return Object.fromEntries(download.map((type) => [type, { schema: { type: 'string', format: 'binary' } }]));
}

function parameters(schema: z.ZodType, where: 'path' | 'query') {
  if (!(schema instanceof z.ZodObject)) return [];
  return Object.entries(schema.shape as Record<string, z.ZodType>).map(([name, part]) => ({
    name,
    in: where,
    required: where === 'path',
    schema: schemaOf(part, 'input'),
  }));
}
