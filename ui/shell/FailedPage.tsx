import { Alert, Button } from 'antd';
import { Page } from './Page';

/** A page that could not come: why, and the way to try it again. */
export const FailedPage = ({ title, why, retry }: { title: string; why: string; retry: () => void }) => (
  <Page title={title}>
    <Alert type="error" showIcon={false} title={why} action={<Button onClick={retry}>Try again</Button>} />
  </Page>
);
