export default function Loading() {
  return (
    <div className="grid min-h-[calc(100dvh-52px)] grid-cols-[212px_1fr] phone:block" aria-busy="true">
      <div className="border-r border-line py-3.5 pl-3.5 phone:hidden">
        <div className="plate h-full" />
      </div>
      <p className="bg-sheet px-6.5 py-6 text-ink-2" role="status">
        Fetching …
      </p>
    </div>
  );
}
