import type { INestApplication } from '@nestjs/common';
import { DocumentBuilder, getSchemaPath, SwaggerModule, type OpenAPIObject } from '@nestjs/swagger';
import { ProblemDto } from './platform.dto.js';

/** The description of the HTTP interface (OpenAPI 3). The typed client is made from it by `npm run generate`. */
export function documentOf(app: INestApplication): OpenAPIObject {
  const config = new DocumentBuilder()
    .setTitle('Vennet')
    .setDescription('The HTTP interface of the link workbench')
    .setVersion('1')
    .addGlobalResponse({
      status: 'default',
      description: 'A problem document (RFC 9457): what happened, what was kept and what to do',
      content: { 'application/problem+json': { schema: { $ref: getSchemaPath(ProblemDto) } } },
    })
    .build();
  return SwaggerModule.createDocument(app, config, { extraModels: [ProblemDto] });
}

export function serveDocument(app: INestApplication): void {
  SwaggerModule.setup('api', app, () => documentOf(app), {
    ui: false,
    jsonDocumentUrl: 'api/openapi.json',
    yamlDocumentUrl: 'api/openapi.yaml',
  });
}
