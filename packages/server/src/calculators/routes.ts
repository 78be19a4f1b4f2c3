import { CALCULATORS, calculate } from '@zubric/core/calculators';
import { Router } from 'express';

/** Every calculator of the core, by name. */
export function calculatorRoutes(): Router {
  const routes = Router();
  routes.get('/', (_request, response) => {
    response.json({
      calculators: CALCULATORS.map(({ name, title, purpose, formula, source }) => ({
        name,
        title,
        purpose,
        formula,
        source,
      })),
    });
  });
  routes.post('/:name', (request, response) => {
    response.json(calculate(request.params.name, request.body));
  });
  return routes;
}
