import { surfaceFields, type Surface } from '@fine-spray/contract';
import { counted, showText } from '@fine-spray/core';
import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getGroupedRowModel,
  getExpandedRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingState,
} from '@tanstack/react-table';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, ScrollView, TextInput, View } from 'react-native';
import { useChangeSurfaces, type SurfacePart } from '@/data/changeSurfaces';
import { useMay } from '@/data/may';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { LIES_OPEN } from '@/ui/printing';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { FieldError, TextField } from '@/ui/field';
import { Header } from '@/ui/screen';
import { EmptyState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { TickBox } from '@/ui/tickBox';
import { useUnits } from '@/ui/units';
import { matching, tableRows, totalsOfRows, type TableRow } from './tableRows';
import { useAnswers } from './useAnswers';

const TITLE = 'Surfaces as a table';

/** All surfaces of a job for who prices them: sorted, grouped, filtered, several at once, changed in place. */
export function TableScreen({ jobId }: { jobId: string }) {
  return (
    <JobFrame
      jobId={jobId}
      title={TITLE}
      backTo={`/jobs/${jobId}`}
      waiting={<Skeleton rows={8} height={48} />}
    >
      {(loaded) => (
        <View className="min-h-0 flex-1">
          <Header title={TITLE} above={loaded.job.name} backTo={`/jobs/${jobId}`} />
          {loaded.surfaces.length === 0 ? (
            <EmptyState
              title="No surfaces yet"
              text="Measure a room: its walls and ceiling stand here then."
            />
          ) : (
            <SurfaceTable {...loaded} />
          )}
        </View>
      )}
    </JobFrame>
  );
}

const column = createColumnHelper<TableRow>();
const WIDTHS: Readonly<Record<string, number>> = {
  room: 130,
  name: 200,
  piece: 110,
  coating: 230,
  coats: 70,
  area: 100,
  tip: 70,
  paint: 90,
};
const TICK = 56;

export function SurfaceTable({ job, surfaces, kit }: LoadedJob) {
  const { system } = useUnits();
  const router = useRouter();
  const mayPlan = useMay('plans');
  const answer = useAnswers(surfaces, job, kit, system);
  const put = useChangeSurfaces();
  const change = (rows: readonly Surface[], part: SurfacePart) =>
    put(rows, part, `${counted(rows.length, 'surface')} changed.`);
  const [filter, setFilter] = useState('');
  const [sorting, setSorting] = useState<SortingState>([]);
  const [grouped, setGrouped] = useState(false);
  const [chosen, setChosen] = useState<Record<string, boolean>>({});
  const [editing, setEditing] = useState<{ id: string; field: 'room' | 'name'; text: string }>();
  const coatings = useMemo(() => new Map(kit.coatings.map(({ id, name }) => [id, name])), [kit]);
  // The table takes rows that are new for other rows: they are made anew only where something of them is.
  const known = surfaces
    .map((surface) => `${answer(surface)?.code ?? ''} ${answer(surface)?.paint ?? ''}`)
    .join();
  const data = useMemo(
    () =>
      matching(
        tableRows(surfaces, (id) => coatings.get(id) ?? 'missing coating', answer),
        filter,
      ),
    // What `answer` says is in `known`; it is another function each time.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [surfaces, coatings, known, filter],
  );
  const columns = useMemo(
    () => [
      column.accessor('room', { header: 'Room' }),
      column.accessor('name', { header: 'Name' }),
      column.accessor('piece', { header: 'Piece' }),
      column.accessor('coating', { header: 'Finish' }),
      column.accessor('coats', { header: 'Coats' }),
      column.accessor('area', {
        header: 'Area',
        cell: ({ getValue }) => {
          const area = getValue();
          return area === undefined ? '–' : showText(area, 'area', system);
        },
      }),
      column.accessor('tip', { header: 'Tip', cell: ({ getValue }) => getValue() ?? '…' }),
      column.accessor('paint', {
        header: 'Paint',
        cell: ({ getValue }) => {
          const paint = getValue();
          return paint === undefined ? '' : showText(paint, 'volume', system);
        },
      }),
    ],
    [system],
  );
  const state = useMemo(
    () => ({
      ...{ sorting, rowSelection: chosen, expanded: true as const },
      grouping: grouped ? ['room'] : [],
    }),
    [sorting, chosen, grouped],
  );
  const table = useReactTable({
    data,
    columns,
    state,
    autoResetAll: false,
    getRowId: ({ surface }) => surface.id,
    onSortingChange: setSorting,
    onRowSelectionChange: setChosen,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getGroupedRowModel: getGroupedRowModel(),
    getExpandedRowModel: getExpandedRowModel(),
  });
  const picked = data.filter(({ surface }) => chosen[surface.id]);
  const counts = totalsOfRows(picked.length > 0 ? picked : data);
  const rows = table.getRowModel().rows;
  const checked = editing && surfaceFields.shape[editing.field].safeParse(editing.text);
  const store = () => {
    const row = surfaces.find(({ id }) => id === editing?.id);
    if (!editing || !row || !checked) return;
    if (!checked.success) return;
    setEditing(undefined);
    if (row[editing.field] !== checked.data) change([row], { [editing.field]: checked.data });
  };
  return (
    <View className="min-h-0 flex-1 gap-3 px-4 pb-4">
      <View className="flex-row flex-wrap items-end gap-2">
        <View className="w-[260px]">
          <TextField label="Find" value={filter} onChange={setFilter} />
        </View>
        <Button
          label={grouped ? 'Not by rooms' : 'By rooms'}
          aria-pressed={grouped}
          onPress={() => setGrouped(!grouped)}
        />
        {picked.length > 0 && mayPlan ? (
          <Several
            rows={picked.map(({ surface }) => surface)}
            coatings={kit.coatings}
            onChange={(part) =>
              change(
                picked.map(({ surface }) => surface),
                part,
              )
            }
          />
        ) : null}
      </View>
      {checked && !checked.success ? (
        <FieldError message={checked.error.issues[0]?.message ?? 'This cannot be taken.'} />
      ) : null}
      <ScrollView horizontal tabIndex={0} aria-label="Table, sideways">
        <View role="table" aria-label={TITLE} aria-rowcount={rows.length} className="min-h-0 flex-1">
          <View role="row" className="flex-row border-b-2 border-ink bg-sheet">
            <View role="columnheader" style={{ width: TICK }}>
              <Tick
                label="All of them"
                on={table.getIsAllRowsSelected()}
                onPress={() => table.toggleAllRowsSelected()}
              />
            </View>
            {table.getFlatHeaders().map((header) => {
              const sorted = header.column.getIsSorted();
              return (
                <Pressable
                  key={header.id}
                  role="columnheader"
                  tabIndex={0}
                  aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                  onPress={() => header.column.toggleSorting()}
                  style={{ width: WIDTHS[header.column.id] ?? 100 }}
                  className="min-h-[48px] justify-center px-2"
                >
                  <Words weight="semi">
                    {`${String(header.column.columnDef.header)}${sorted === 'asc' ? ' ↑' : sorted === 'desc' ? ' ↓' : ''}`}
                  </Words>
                </Pressable>
              );
            })}
          </View>
          <ScrollView tabIndex={0} role="rowgroup" className={`min-h-0 flex-1 ${LIES_OPEN}`}>
            {rows.map((row) =>
              row.getIsGrouped() ? (
                <View key={row.id} role="row" className="flex-row border-b border-rule bg-ground px-3 py-2">
                  <Words weight="bold" role="cell">
                    {`${String(row.getValue('room')) || 'Without a room'}: ${counted(row.subRows.length, 'surface')}, ${showText(totalsOfRows(row.subRows.map(({ original }) => original)).area, 'area', system)}`}
                  </Words>
                </View>
              ) : (
                <View
                  key={row.id}
                  role="row"
                  aria-selected={row.getIsSelected()}
                  className={`flex-row border-b border-rule ${row.getIsSelected() ? 'bg-identity-tint' : 'bg-sheet'}`}
                  testID="table-row"
                >
                  <View role="cell" style={{ width: TICK }}>
                    <Tick
                      label={`${row.original.room} ${row.original.name}`}
                      on={row.getIsSelected()}
                      onPress={() => row.toggleSelected()}
                    />
                  </View>
                  {row.getAllCells().map((cell) => {
                    const { id } = cell.column;
                    const width = WIDTHS[id] ?? 100;
                    const isText = id === 'room' || id === 'name';
                    const open = editing?.id === row.id && editing.field === id;
                    if (open)
                      return (
                        <View key={cell.id} role="cell" style={{ width }} className="px-1">
                          <TextInput
                            autoFocus
                            aria-label={`${id === 'room' ? 'Room' : 'Name'} of ${row.original.name}`}
                            value={editing.text}
                            onChangeText={(text) => setEditing({ ...editing, text })}
                            onBlur={store}
                            onSubmitEditing={store}
                            className="min-h-[44px] rounded-lg border-2 border-identity bg-ground px-2 font-words text-16 text-ink"
                          />
                        </View>
                      );
                    return (
                      <Pressable
                        key={cell.id}
                        role="cell"
                        tabIndex={isText || id === 'tip' ? 0 : -1}
                        style={{ width }}
                        className="min-h-[48px] justify-center px-2"
                        onPress={() => {
                          if (isText && mayPlan)
                            setEditing({ id: row.id, field: id, text: row.original[id] });
                          else if (id === 'tip')
                            router.navigate(`/jobs/${job.id}/surfaces/${row.original.surface.id}`);
                        }}
                      >
                        <Words
                          numberOfLines={2}
                          weight={
                            id === 'area' || id === 'paint' || id === 'tip' || id === 'coats'
                              ? 'digits'
                              : 'regular'
                          }
                        >
                          {flexRender(cell.column.columnDef.cell, cell.getContext())}
                        </Words>
                      </Pressable>
                    );
                  })}
                </View>
              ),
            )}
          </ScrollView>
        </View>
      </ScrollView>
      <View
        className="flex-row flex-wrap gap-x-6 border-t-2 border-ink bg-sheet px-3 py-2"
        testID="table-totals"
      >
        <Words weight="bold">
          {picked.length > 0 ? `${picked.length} chosen` : counted(data.length, 'surface')}
        </Words>
        <Words weight="semi">{showText(counts.area, 'area', system)}</Words>
        <Words>{`${showText(counts.coats, 'area', system)} of coats`}</Words>
        <Words weight="semi">{`${showText(counts.paint, 'volume', system)} of finish`}</Words>
      </View>
    </View>
  );
}

const Tick = ({ label, on, onPress }: { label: string; on: boolean; onPress: () => void }) => (
  <Pressable
    role="checkbox"
    aria-checked={on}
    aria-label={label}
    onPress={onPress}
    className="min-h-[48px] items-center justify-center"
  >
    <TickBox on={on} />
  </Pressable>
);

/** What is changed of all that are chosen. */
function Several({
  rows,
  coatings,
  onChange,
}: {
  rows: readonly Surface[];
  coatings: LoadedJob['kit']['coatings'];
  onChange: (part: SurfacePart) => void;
}) {
  const [only] = new Set(rows.map(({ coatingId }) => coatingId));
  const same = rows.every(({ coatingId }) => coatingId === only);
  return (
    <View
      role="group"
      aria-label={`Change ${counted(rows.length, 'surface')}`}
      className="flex-row flex-wrap items-end gap-2"
    >
      <View className="w-[280px]">
        <Choice
          label={`Finish of ${counted(rows.length, 'surface')}`}
          value={same ? (only ?? '') : ''}
          options={[
            ...(same ? [] : [{ value: '', label: 'They differ' }]),
            ...coatings.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(coatingId) => {
            if (coatingId !== '') onChange({ coatingId });
          }}
        />
      </View>
      {[1, 2, 3].map((coats) => (
        <Button key={coats} label={counted(coats, 'coat')} onPress={() => onChange({ coats })} />
      ))}
    </View>
  );
}
