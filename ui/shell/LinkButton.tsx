'use client';
import { Button, type ButtonProps } from 'antd';
import { useRouter } from 'next/navigation';
import type { MouseEvent } from 'react';

/** A link that looks like an act: it goes there without loading the whole page again, and opens in a tab as links do. */
export function LinkButton({ href, ...rest }: Omit<ButtonProps, 'href' | 'onClick'> & { href: string }) {
  const router = useRouter();
  const go = (event: MouseEvent<HTMLElement>) => {
    if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey || event.button !== 0) return;
    event.preventDefault();
    router.push(href);
  };
  return <Button {...rest} href={href} onClick={go} />;
}
