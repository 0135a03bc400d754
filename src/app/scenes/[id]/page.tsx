import { StudioPage } from '@/studio/shell/StudioPage';

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  return <StudioPage sceneId={(await params).id} />;
}
