import { jsonOf, nameOf } from '@/server/http/body';
import { handler } from '@/server/http/problem';
import { allProjects, makeProject } from '@/server/queries/projects';

export const dynamic = 'force-dynamic';

export const GET = handler(async () => Response.json({ projects: await allProjects() }));

export const POST = handler(async (request) => {
  const id = await makeProject(nameOf(await jsonOf(request)));
  return Response.json({ id }, { status: 201 });
});
