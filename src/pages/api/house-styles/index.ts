import type { APIRoute } from 'astro';
import { database } from '../../../server/database';
import { houseStyles } from '../../../server/house-styles';
import { json } from '../../../server/requests';

export const GET: APIRoute = async ({ locals }) => json(await houseStyles(database(), locals.account!.id));
