import type { INestApplication } from '@nestjs/common';
import { DocumentBuilder, SwaggerModule, type OpenAPIObject } from '@nestjs/swagger';

/** The description of the HTTP interface (OpenAPI 3). The typed client is made from it by `npm run generate`. */
export function documentOf(app: INestApplication): OpenAPIObject {
  const config = new DocumentBuilder()
    .setTitle('Vennet')
    .setDescription('The HTTP interface of the link workbench')
    .setVersion('1')
    .build();
  return SwaggerModule.createDocument(app, config);
}

export function serveDocument(app: INestApplication): void {
  SwaggerModule.setup('api', app, () => documentOf(app), {
    ui: false,
    jsonDocumentUrl: 'api/openapi.json',
    yamlDocumentUrl: 'api/openapi.yaml',
  });
}
