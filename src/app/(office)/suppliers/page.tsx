import { shown } from '@/server/access/visitor';
import { installation } from '@/server/installation';
import { suppliersView } from '@/server/selections/supplier-views';
import { Suppliers } from '@/ui/selections/suppliers';

export const metadata = { title: 'Suppliers' };

export default async function SuppliersPage() {
  const { view } = await shown(() => suppliersView(installation()));
  return <Suppliers view={view} />;
}
