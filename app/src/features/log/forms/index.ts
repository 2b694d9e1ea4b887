import type { EntryKind } from '@fine-spray/contract';
import type { ComponentType } from 'react';
import { CoatForm } from './CoatForm';
import { ContainerForm, DeliveryForm } from './ContainerForms';
import { CombForm, DryForm } from './FilmForms';
import { LitresForm } from './LitresForm';
import { FanForm, TipForm } from './TipForms';
import { ClogForm, FaultForm, IncidentForm, NoteForm, TouchUpForm } from './WordForms';
import type { FormProps } from './types';

/** The form of each kind that is written with one. */
export const FORMS: Partial<Readonly<Record<EntryKind, ComponentType<FormProps>>>> = {
  delivered: DeliveryForm,
  'container opened': ContainerForm,
  'coat started': CoatForm,
  'coat finished': CoatForm,
  comb: CombForm,
  sprayed: LitresForm,
  'dry reading': DryForm,
  'tip fitted': TipForm,
  'tip reversed': TipForm,
  'tip cleaned': TipForm,
  'tip retired': TipForm,
  'fan measured': FanForm,
  clog: ClogForm,
  fault: FaultForm,
  'touch-up': TouchUpForm,
  incident: IncidentForm,
  note: NoteForm,
};

export type { FormProps, Payload } from './types';
