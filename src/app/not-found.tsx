/** Every page brings what this one needs, so its link is the browser's own: the app's weighs 3 kB. */
export default function NotFoundPage() {
  return (
    <main className="mx-auto max-w-lg p-10 text-center">
      <h1 className="text-3xl font-bold">There is nothing here</h1>
      <p className="quiet mt-2">It may have been removed, or it belongs to another studio.</p>
      <a href="/" className="btn btn-primary mt-6">
        Go to Today
      </a>
    </main>
  );
}
