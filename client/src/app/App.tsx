import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { api, ApiError, unwrap } from '../api/client';
import { key } from '../api/keys';
import { Nowhere } from '../rooms/home/Nowhere';
import { CommandsProvider } from '../ui/commands';
import { ToastProvider } from '../ui/toast';
import { TourProvider } from '../ui/tour';
import { UnitsProvider } from '../ui/units';
import { House } from './House';
import { fetchAll, moved, rooms } from './rooms';

export function App() {
  const { data, error, refetch } = useQuery({
    queryKey: key('standards'),
    queryFn: () => unwrap(api.GET('/api/standards')),
    staleTime: Infinity,
  });
  useEffect(() => {
    const timer = setTimeout(() => void fetchAll(), 1000);
    return () => clearTimeout(timer);
  }, []);
  if (error)
    return (
      <main id="main" className="p-6">
        <h1 className="text-xl font-semibold">{error.message}</h1>
        <button
          className="btn mt-3"
          // The page that asks for the key is served separately.
          onClick={() => (error instanceof ApiError && error.status === 401 ? location.reload() : void refetch())}
        >
          Try again
        </button>
      </main>
    );
  if (!data) return null;
  return (
    <UnitsProvider standards={data}>
      <CommandsProvider>
        <ToastProvider>
          <TourProvider>
            <Routes>
              <Route element={<House />}>
                {rooms.map(({ path, page: Page }) => (
                  <Route key={path} path={path} element={<Page />} />
                ))}
                {Object.entries(moved).map(([from, to]) => (
                  <Route key={from} path={from} element={<Navigate replace to={to} />} />
                ))}
                <Route path="*" element={<Nowhere />} />
              </Route>
            </Routes>
          </TourProvider>
        </ToastProvider>
      </CommandsProvider>
    </UnitsProvider>
  );
}
