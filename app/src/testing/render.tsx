import '@/data/rowChecks';
import { QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react-native';
import type { ReactElement } from 'react';
import { makeQueryClient } from '@/data/resources';
import { ThemeProvider } from '@/ui/theme/theme';
import { ToastProvider } from '@/ui/toast';
import { UnitsProvider } from '@/ui/units';

/** Renders a part of the interface as the layout would: units, theme, toasts, queries. */
export function renderPart(part: ReactElement) {
  return render(
    <QueryClientProvider client={makeQueryClient()}>
      <ThemeProvider>
        <UnitsProvider>
          <ToastProvider>{part}</ToastProvider>
        </UnitsProvider>
      </ThemeProvider>
    </QueryClientProvider>,
  );
}
