import { FrontPage } from '@/studio/front/FrontPage';

export default function Page() {
  return <FrontPage />;
}
