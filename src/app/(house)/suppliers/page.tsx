import { shown } from '@/server/access/visitor';
import { house } from '@/server/house';
import { suppliersView } from '@/server/selections/supplier-views';
import { Suppliers } from '@/ui/selections/suppliers';

export const metadata = { title: 'Suppliers' };

export default async function SuppliersPage() {
  const { view } = await shown(() => suppliersView(house()));
  return <Suppliers view={view} />;
}
