import { shown } from '@/server/access/visitor';
import { readOpenJobs } from '@/server/reading/reading';
import { suppliersView } from '@/server/views/suppliers';
import { Suppliers } from '@/ui/selections/suppliers';

export const metadata = { title: 'Suppliers' };

export default async function SuppliersPage() {
  const { view } = await shown('person', (installation) => suppliersView(readOpenJobs(installation)));
  return <Suppliers view={view} />;
}
