'use client';
import { Alert, Button } from 'antd';
import { Component, type ReactNode } from 'react';

interface Props {
  /** What is kept apart here: "This page", "The warp". */
  readonly what: string;
  /** Offered beside trying again, where something kept may be the cause. */
  readonly otherwise?: { readonly label: string; readonly does: () => void };
  readonly children: ReactNode;
}

/** A fault in one part stays in that part: it is said, the rest lives on, and nothing that was typed elsewhere is lost. */
export class Guard extends Component<Props, { fault: Error | null }> {
  override state: { fault: Error | null } = { fault: null };

  static getDerivedStateFromError(fault: Error): { fault: Error } {
    return { fault };
  }

  override render(): ReactNode {
    const { fault } = this.state;
    const { what, otherwise, children } = this.props;
    if (!fault) return children;
    const again = () => this.setState({ fault: null });
    return (
      <div className="page">
        <Alert
          type="error"
          title={`${what} ran into a fault`}
          description={`It is not your doing, and nothing that was stored is lost. The rest goes on. (${fault.message.slice(0, 160)})`}
          action={
            <div className="line line-tight">
              <Button onClick={again}>Try again</Button>
              {otherwise ? (
                <Button
                  onClick={() => {
                    otherwise.does();
                    again();
                  }}
                >
                  {otherwise.label}
                </Button>
              ) : null}
            </div>
          }
        />
      </div>
    );
  }
}
