import { createRequire } from 'node:module';
import { dirname } from 'node:path';
import express, { Router, type Express } from 'express';
import { openApiDocument } from './document.ts';

/** The API in the form that tools of others read, under /api. */
export function openApiRoutes(): Router {
  const routes = Router();
  let made: object | undefined;
  routes.get('/openapi.json', (_request, response) => {
    response.json((made ??= openApiDocument()));
  });
  return routes;
}

const PAGE = `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <title>Doors of the server</title>
    <link rel="stylesheet" href="swagger-ui.css" />
  </head>
  <body>
    <main id="doors"></main>
    <script src="swagger-ui-bundle.js"></script>
    <script src="begin.js"></script>
  </body>
</html>
`;
const BEGIN = `SwaggerUIBundle({ url: '/api/openapi.json', dom_id: '#doors', deepLinking: true, tryItOutEnabled: false });\n`;
/** What of the library's folder is handed out. */
const HANDED_OUT = /^\/swagger-ui(-bundle\.js|\.css)$/;

/** The same as a page to read, under /api-docs: drawn by a library that is handed out with it. */
export function serveApiPage(app: Express): void {
  const folder = dirname(createRequire(import.meta.url).resolve('swagger-ui-dist/package.json'));
  const files = express.static(folder, { index: false });
  app.use('/api-docs', (request, response, next) => {
    // What the page names beside it is found beside it only under an address that ends so.
    if (/^\/api-docs(\?|$)/.test(request.originalUrl)) response.redirect('/api-docs/');
    else if (request.path === '/') response.type('html').send(PAGE);
    else if (request.path === '/begin.js') response.type('js').send(BEGIN);
    else if (HANDED_OUT.test(request.path)) files(request, response, next);
    else next();
  });
}
