import { Link } from 'react-router';
import { PageTabs } from '../../ui/PageTabs';

const pages = [
  { to: '/log', name: 'Outings' },
  { to: '/log/answers', name: 'What it says' },
  { to: '/log/learning', name: 'What it teaches' },
];

/** The ways of looking at the log. */
export const LogTabs = () => (
  <PageTabs label="Ways of looking at the log" pages={pages}>
    <span className="flex-1" />
    <Link className="quiet inline-flex min-h-[44px] items-center underline" to="/care">
      Care
    </Link>
  </PageTabs>
);
