import { EmptyPlace } from '@/ui/shell/EmptyPlace';
import { LinkButton } from '@/ui/shell/LinkButton';
import { Page } from '@/ui/shell/Page';

export default function NotFound() {
  return (
    <Page title="Nothing here">
      <EmptyPlace
        act={
          <LinkButton type="primary" href="/">
            To what is on now
          </LinkButton>
        }
      >
        There is nothing at this address.
      </EmptyPlace>
    </Page>
  );
}
