import { openApiDocument } from '@/contract/openapi';

export const dynamic = 'force-static';

export const GET = (): Response => Response.json(openApiDocument());
