import { PageTabs } from '../../ui/PageTabs';

const pages = [
  { to: '/shed', name: 'Gear' },
  { to: '/shed/matrix', name: 'Which goes with which' },
  { to: '/shed/days', name: 'What it can do' },
  { to: '/shed/paste', name: 'Paste many' },
];

/** The ways of looking at the shed. */
export const ShedTabs = () => <PageTabs label="Ways of looking at the shed" pages={pages} />;
