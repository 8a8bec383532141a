import { notFound } from 'next/navigation';
import { calculatorNamed } from '@/core/quantities/registry';
import { shown } from '@/server/access/visitor';
import { readOpenJobs } from '@/server/reading/reading';
import { benchView, keptCalculation } from '@/server/views/quantities';
import { CalculatorPage } from '@/ui/bench/calculator';

interface Terms {
  params: Promise<{ name: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export async function generateMetadata({ params }: Terms) {
  return { title: calculatorNamed((await params).name)?.title ?? 'Bench' };
}

export default async function BenchCalculatorPage({ params, searchParams }: Terms) {
  const { name } = await params;
  const { area, kept } = await searchParams;
  if (!calculatorNamed(name)) notFound();
  const { view } = await shown('person', (installation) => ({
    bench: benchView(readOpenJobs(installation)),
    kept: typeof kept === 'string' ? keptCalculation(readOpenJobs(installation), kept) : undefined,
  }));
  return (
    <CalculatorPage name={name} view={view.bench} area={typeof area === 'string' ? area : undefined} kept={view.kept} />
  );
}
