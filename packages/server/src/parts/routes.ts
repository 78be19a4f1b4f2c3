import type { PartsAnswer } from '@zubric/core/answers';
import { PART_KINDS } from '@zubric/core/vehicle';
import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { partEntity } from '../database/entities.ts';

const query = z.strictObject({ kind: z.enum(PART_KINDS).optional() });

/** The parts shelf. */
export function partRoutes(database: DataSource): Router {
  const routes = Router();
  routes.get('/', async (request, response) => {
    const { kind } = query.parse(request.query);
    const rows = await database.getRepository(partEntity).find({
      where: kind === undefined ? {} : { kind },
      order: { kind: 'ASC', createdAt: 'ASC', id: 'ASC' },
    });
    response.json({ parts: rows.map((row) => row.data) } satisfies PartsAnswer);
  });
  return routes;
}
