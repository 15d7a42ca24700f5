import Link from 'next/link';

export default function NotFound() {
  return (
    <div className="page-state">
      <p>There is nothing at this address.</p>
      <Link className="act" href="/">
        To what is on now
      </Link>
    </div>
  );
}
