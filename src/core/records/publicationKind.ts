export type PublicationKind = 'magazine' | 'newsletter' | 'newspaper';
