/** The OpenAPI 3.1 document, made from the endpoints. JSON Schema 2020-12, as 3.1 has it. */
import { z } from 'zod';
import { endpoints } from './endpoints';
import type { Endpoint } from './endpoint';
import { ProblemSchema } from './schemas';

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
      ...(endpoint.body instanceof z.ZodUndefined
        ? {}
        : {
            requestBody: {
              required: true,
              content: { 'application/json': { schema: schemaOf(endpoint.body, 'input') } },
            },
          }),
      responses: {
        200: {
          description: 'Done',
          content: { 'application/json': { schema: schemaOf(endpoint.response, 'output') } },
        },
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

function parameters(schema: z.ZodType, where: 'path' | 'query') {
  if (!(schema instanceof z.ZodObject)) return [];
  return Object.entries(schema.shape as Record<string, z.ZodType>).map(([name, part]) => ({
    name,
    in: where,
    required: where === 'path',
    schema: schemaOf(part, 'input'),
  }));
}
