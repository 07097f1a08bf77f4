// Made from the Java types by ./loesscape types; do not edit.

export type AcceptedFinding = {
  key: string;
  message: string;
  about: string;
  reason: string;
};

export type AccountList = {
  accounts: AccountRow[];
};

export type AccountRights = {
  role: AccountRole;
};

export type AccountRole = "reader" | "sender" | "author";

export type AccountRow = {
  id: number;
  name: string;
  role: AccountRole;
};

export type Alignment = "start" | "middle" | "end";

export type AnswerChange = {
  address: string;
  typed: string;
  words: string;
};

export type AnswerKept = {
  kept: string;
  held: Record<string, string[]>;
  nodes: Record<string, Node>;
  states: Record<string, NodeState>;
  progress: Progress[];
  obstacles: Obstacle[];
};

export type AnswerPiece = {
  shape: PieceShape;
  words: string;
  condition: Condition;
  typed: string;
  others: string[];
  isWhole: boolean;
  low: Value | null;
  high: Value | null;
};

export type AsClauses = {
  condition: Condition;
};

export type AsText = {
  formula: string;
};

export type Aspect = "shown" | "required" | "editable" | "open";

export type AtDesk = {
  purpose: string;
  amount: string;
  state: DeskState;
};

export type AtTheDesk = {
  path: string;
};

export type Band = {
  id: string;
  label: string;
  look: Look;
  picture: string;
  upTo: Bound | null;
};

export type BandClause = {
  field: string;
  bands: string[];
  whenBlank: boolean | null;
};

export type Becomes = "yes" | "no" | "folded" | "depends" | "says" | "undecided" | "never";

export type Begun = {
  id: string;
};

export type Block =
  | ({ type: "pageTitle" } & BlockPageTitle)
  | ({ type: "lines" } & BlockLines)
  | ({ type: "rows" } & BlockRows);

export type BlockDifferences = {
  differences: Difference[];
};

export type BlockLines = {
  title: string;
  level: number;
  number: string;
  lines: Line[];
};

export type BlockList = {
  blocks: BlockRow[];
};

export type BlockPageTitle = {
  title: string;
};

export type BlockRow = {
  id: string;
  name: string;
  version: number;
  kept: string;
};

export type BlockRows = {
  title: string;
  level: number;
  number: string;
  columns: TableColumn[];
  rows: TableRow[];
};

export type Bond = {
  follows: string[];
  followers: string[];
  depth: number;
};

export type Bound = {
  at: string;
  included: boolean;
  day: string | null;
};

export type BroughtIn = {
  name: string;
  position: number;
  kept: boolean;
  by: string;
  brought: string;
};

export type Changed = {
  key: string;
  name: string;
  what: string;
  example: Example;
  answers: string;
  before: string;
  after: string;
};

export type Check = {
  refusedWhen: Condition;
  message: string;
};

export type Checked = {
  verdict: Verdict;
  message: string;
  by: string;
  at: string | null;
  trail: TrailLine[];
  brokenAt: number;
};

export type CheckedFormula = {
  type: string;
  trouble: FormulaTrouble | null;
};

export type Choice = {
  id: string;
  label: string;
  stored: string;
};

export type ChoiceClause = {
  field: string;
  test: ChoiceTest;
  choices: string[];
  whenBlank: boolean | null;
};

export type ChoiceLayout = "marks" | "list" | "buttons";

export type ChoiceSign = {
  choice: string;
  sign: Sign;
};

export type ChoiceTest = "is" | "isNot";

export type Choices = {
  marks: Marked[];
  columns: number;
};

export type ClauseAnswered = {
  field: string;
};

export type ClauseBetween = {
  field: string;
  outside: boolean;
  from: ClauseOperand;
  fromIncluded: boolean;
  to: ClauseOperand;
  toIncluded: boolean;
  whenBlank: boolean | null;
};

export type ClauseComparison = {
  field: string;
  test: OrderTest;
  to: ClauseOperand;
  whenBlank: boolean | null;
};

export type ClauseIsBlank = {
  field: string;
};

export type ClauseOperand =
  | ({ type: "number" } & NumberOperand)
  | ({ type: "date" } & DateOperand)
  | ({ type: "time" } & TimeOperand)
  | ({ type: "formula" } & FormulaOperand)
  | ({ type: "field" } & FieldOperand)
  | ({ type: "today" } & TodayOperand);

export type CodeOnItsWay = {
  confirmation: string;
};

export type Colours = {
  text: string;
  fill: string;
  border: string;
  despite: string;
};

export type Column = {
  key: string;
  title: string;
  number: boolean;
};

export type Compared = "new" | "otherwise" | "gone";

export type Condition =
  | ({ type: "always" } & ConditionAlways)
  | ({ type: "never" } & ConditionNever)
  | ({ type: "all" } & ConditionAll)
  | ({ type: "any" } & ConditionAny)
  | ({ type: "none" } & ConditionNone)
  | ({ type: "atLeast" } & ConditionAtLeast)
  | ({ type: "text" } & TextClause)
  | ({ type: "length" } & LengthClause)
  | ({ type: "count" } & CountClause)
  | ({ type: "answered" } & ClauseAnswered)
  | ({ type: "isBlank" } & ClauseIsBlank)
  | ({ type: "choice" } & ChoiceClause)
  | ({ type: "set" } & SetClause)
  | ({ type: "band" } & BandClause)
  | ({ type: "comparison" } & ClauseComparison)
  | ({ type: "between" } & ClauseBetween)
  | ({ type: "written" } & ConditionWritten)
  | ({ type: "stageIs" } & ConditionStageIs)
  | ({ type: "roleIs" } & ConditionRoleIs)
  | ({ type: "shared" } & ConditionShared)
  | ({ type: "ofRows" } & ConditionOfRows)
  | ({ type: "rowCount" } & ConditionRowCount)
  | ({ type: "total" } & ConditionTotal);

export type ConditionAll = {
  conditions: Condition[];
};

export type ConditionAlways = {
};

export type ConditionAny = {
  conditions: Condition[];
};

export type ConditionAtLeast = {
  count: number;
  conditions: Condition[];
};

export type ConditionNever = {
};

export type ConditionNone = {
  conditions: Condition[];
};

export type ConditionOfRows = {
  section: string;
  quantity: Quantity;
  condition: Condition;
  whenBlank: boolean | null;
};

export type ConditionRoleIs = {
  roles: string[];
};

export type ConditionRowCount = {
  section: string;
  test: OrderTest;
  count: number;
};

export type ConditionShared = {
  condition: string;
};

export type ConditionStageIs = {
  stages: Stage[];
};

export type ConditionTotal = {
  field: string;
  test: OrderTest;
  to: ClauseOperand;
  whenBlank: boolean | null;
};

export type ConditionWritten = {
  formula: string;
};

export type Content = {
  title: string;
  subtitle: string;
  sections: Block[];
  settings: PageSettings;
  filled: FilledPage[];
};

export type Context = {
  today: string | null;
  stage: Stage;
  role: string;
};

export type CopyPages = {
  version: string;
  pages: number;
};

export type Correction = {
  role: string;
  name: string;
  address: string;
  phone: string;
};

export type CountClause = {
  field: string;
  test: OrderTest;
  count: number;
  whenBlank: boolean | null;
};

export type Credentials = {
  name: string;
  password: string;
};

export type DateOperand = {
  date: string;
};

export type Declining = {
  because: string;
};

export type Deleted = {
  kind: Kind;
  what: string;
  because: string;
  who: string;
  at: string;
};

export type Deleting = {
  because: string;
};

export type Delivery = {
  delivery: string;
  event: string;
  dispatch: string;
  made: string;
  tries: number;
  delivered: string | null;
  next: string | null;
  status: number | null;
  digest: string;
  answer: string;
};

export type DeskState = "open" | "approved" | "refused" | "late";

export type Difference = {
  item: string;
  name: string;
  turn: Compared;
  here: string[];
  there: string[];
  own: boolean;
};

export type DispatchList = {
  dispatches: DispatchRow[];
  found: number;
  all: number;
  waitedFor: string[];
};

export type DispatchPage = {
  dispatch: DispatchRow;
  message: string;
  because: string;
  mayDelegate: boolean;
  broken: string;
  notSealed: string;
  trail: TrailLine[];
};

export type DispatchRow = {
  id: string;
  template: string;
  title: string;
  release: number;
  standing: DispatchStanding;
  sent: string;
  changed: string;
  due: string | null;
  parties: PartyRow[];
  record: number | null;
};

export type DispatchStanding = "waiting" | "overdue" | "declined" | "withdrawn" | "sealing" | "finished";

export type Divider = {
  key: string;
  shown: Condition | null;
};

export type Draft = {
  revision: number;
  release: number;
  changed: string;
  canUndo: boolean;
  canRedo: boolean;
  title: string;
  subtitle: string;
  held: Record<string, string[]>;
  nodes: Record<string, NodeView>;
  inRows: Record<string, NodeState>;
  shared: SharedCondition[];
  unmet: string[];
  settings: DraftSettings;
  answers: Record<string, string>;
  stage: Stage;
  role: string;
  vocabulary: Vocabulary;
};

export type DraftChange = {
  revision: number;
  changed: string;
  canUndo: boolean;
  canRedo: boolean;
  title: string;
  subtitle: string;
  held: Record<string, string[]>;
  nodes: Record<string, NodeView>;
  inRows: Record<string, NodeState>;
  shared: SharedCondition[];
  unmet: string[];
  settings: DraftSettings | null;
  gone: string[];
};

export type DraftSettings = {
  roles: RoleView[];
  lists: ListView[];
  finish: FinishView[];
  pageSettings: PageSettings;
  rightToLeft: boolean;
  trials: TrialView[];
  promises: PromiseView[];
  findings: Finding[];
};

export type Edit =
  | ({ type: "retitle" } & EditRetitle)
  | ({ type: "add" } & EditAdd)
  | ({ type: "addLookups" } & EditAddLookups)
  | ({ type: "relabel" } & EditRelabel)
  | ({ type: "setHelp" } & EditSetHelp)
  | ({ type: "renameKey" } & EditRenameKey)
  | ({ type: "setWidth" } & EditSetWidth)
  | ({ type: "setKind" } & EditSetKind)
  | ({ type: "addChoice" } & EditAddChoice)
  | ({ type: "relabelChoice" } & EditRelabelChoice)
  | ({ type: "storeChoice" } & EditStoreChoice)
  | ({ type: "moveChoice" } & EditMoveChoice)
  | ({ type: "removeChoice" } & EditRemoveChoice)
  | ({ type: "setCondition" } & EditSetCondition)
  | ({ type: "copyLogic" } & EditCopyLogic)
  | ({ type: "setValue" } & EditSetValue)
  | ({ type: "setLooks" } & EditSetLooks)
  | ({ type: "setChecks" } & EditSetChecks)
  | ({ type: "setRole" } & EditSetRole)
  | ({ type: "setFolding" } & EditSetFolding)
  | ({ type: "setText" } & EditSetText)
  | ({ type: "setClause" } & EditSetClause)
  | ({ type: "setMedium" } & EditSetMedium)
  | ({ type: "setRows" } & EditSetRows)
  | ({ type: "setOffer" } & EditSetOffer)
  | ({ type: "setSigns" } & EditSetSigns)
  | ({ type: "setPicture" } & EditSetPicture)
  | ({ type: "setPlaces" } & EditSetPlaces)
  | ({ type: "addAt" } & EditAddAt)
  | ({ type: "addPrinted" } & EditAddPrinted)
  | ({ type: "setOverlay" } & EditSetOverlay)
  | ({ type: "newShared" } & EditNewShared)
  | ({ type: "setShared" } & EditSetShared)
  | ({ type: "extract" } & EditExtract)
  | ({ type: "inline" } & EditInline)
  | ({ type: "removeShared" } & EditRemoveShared)
  | ({ type: "putRole" } & EditPutRole)
  | ({ type: "removeRole" } & EditRemoveRole)
  | ({ type: "putList" } & EditPutList)
  | ({ type: "putTable" } & EditPutTable)
  | ({ type: "removeList" } & EditRemoveList)
  | ({ type: "setFinish" } & EditSetFinish)
  | ({ type: "setPageSettings" } & EditSetPageSettings)
  | ({ type: "setPromises" } & EditSetPromises)
  | ({ type: "acceptFinding" } & EditAcceptFinding)
  | ({ type: "putTrials" } & EditPutTrials)
  | ({ type: "together" } & EditTogether)
  | ({ type: "removeTrial" } & EditRemoveTrial)
  | ({ type: "setBands" } & EditSetBands)
  | ({ type: "follow" } & EditFollow)
  | ({ type: "move" } & EditMove)
  | ({ type: "duplicate" } & EditDuplicate)
  | ({ type: "delete" } & EditDelete)
  | ({ type: "useBlock" } & EditUseBlock)
  | ({ type: "setOrigin" } & EditSetOrigin)
  | ({ type: "takeOver" } & EditTakeOver);

export type EditAcceptFinding = {
  key: string;
  message: string;
  reason: string;
};

export type EditAdd = {
  what: Novelty;
  label: string;
  holder: string;
  after: string | null;
  shown: Condition | null;
};

export type EditAddAt = {
  what: Novelty;
  label: string;
  page: string;
  place: Place;
};

export type EditAddChoice = {
  key: string;
  label: string;
  after: string | null;
};

export type EditAddLookups = {
  list: string;
  holder: string;
  after: string | null;
};

export type EditAddPrinted = {
  page: string;
  questions: EditPrintedQuestion[];
};

export type EditCopyLogic = {
  from: string;
  to: string[];
};

export type EditDelete = {
  keys: string[];
  dropFollowers: boolean;
};

export type EditDuplicate = {
  keys: string[];
  holder: string | null;
  after: string | null;
};

export type EditExtract = {
  key: string;
  aspect: Aspect;
  name: string;
};

export type EditFollow = {
  key: string;
  field: string;
};

export type EditInline = {
  condition: string;
};

export type EditMove = {
  key: string;
  holder: string;
  after: string | null;
};

export type EditMoveChoice = {
  key: string;
  choice: string;
  after: string | null;
};

export type EditNewShared = {
  name: string;
  condition: Condition;
};

export type EditPrintedMark = {
  label: string;
  place: Place;
};

export type EditPrintedQuestion = {
  what: Novelty;
  label: string;
  heading: string;
  place: Place;
  marks: EditPrintedMark[];
};

export type EditPutList = {
  list: LookupList;
};

export type EditPutRole = {
  role: Role;
};

export type EditPutTable = {
  key: string;
  name: string;
  table: string[][];
};

export type EditPutTrials = {
  trials: Trial[];
};

export type EditRelabel = {
  key: string;
  label: string;
};

export type EditRelabelChoice = {
  key: string;
  choice: string;
  label: string;
};

export type EditRemoveChoice = {
  key: string;
  choice: string;
  dropFollowers: boolean;
};

export type EditRemoveList = {
  key: string;
};

export type EditRemoveRole = {
  key: string;
  dropFollowers: boolean;
};

export type EditRemoveShared = {
  key: string;
  dropFollowers: boolean;
};

export type EditRemoveTrial = {
  name: string;
};

export type EditRenameKey = {
  key: string;
  to: string;
};

export type EditRequest = {
  revision: number;
  edit: Edit;
};

export type EditRetitle = {
  title: string;
  subtitle: string;
};

export type EditSetBands = {
  key: string;
  bands: Band[];
};

export type EditSetChecks = {
  key: string;
  checks: Check[];
};

export type EditSetClause = {
  keys: string[];
  clause: number;
};

export type EditSetCondition = {
  keys: string[];
  aspects: Aspect[];
  condition: Condition | null;
};

export type EditSetFinish = {
  finish: FinishRule[];
};

export type EditSetFolding = {
  keys: string[];
  folding: Folding;
};

export type EditSetHelp = {
  key: string;
  help: string;
};

export type EditSetKind = {
  key: string;
  kind: FieldKind;
};

export type EditSetLooks = {
  keys: string[];
  looks: LookRule[];
};

export type EditSetMedium = {
  keys: string[];
  medium: Medium;
};

export type EditSetOffer = {
  key: string;
  offer: Offer | null;
};

export type EditSetOrigin = {
  key: string;
  origin: Origin | null;
};

export type EditSetOverlay = {
  key: string;
  shape: OverlayShape;
  words: string;
};

export type EditSetPageSettings = {
  pageSettings: PageSettings;
};

export type EditSetPicture = {
  key: string;
  file: string;
  follows: string;
};

export type EditSetPlaces = {
  page: string;
  places: Place[];
};

export type EditSetPromises = {
  promises: PromiseRule[];
};

export type EditSetRole = {
  keys: string[];
  role: string;
};

export type EditSetRows = {
  key: string;
  rows: Rows | null;
};

export type EditSetShared = {
  key: string;
  name: string;
  condition: Condition;
};

export type EditSetSigns = {
  key: string;
  choices: ChoiceSign[];
  presence: Presence | null;
};

export type EditSetText = {
  key: string;
  text: string;
  phrases: Phrase[];
};

export type EditSetValue = {
  key: string;
  value: FieldValue | null;
};

export type EditSetWidth = {
  key: string;
  width: Width;
};

export type EditStoreChoice = {
  key: string;
  choice: string;
  stored: string;
};

export type EditTakeOver = {
  key: string;
  block: Template;
  version: number;
  items: string[];
};

export type EditTogether = {
  edits: Edit[];
};

export type EditUseBlock = {
  block: Template;
  id: string;
  version: number;
  holder: string;
  after: string | null;
};

export type Ending = {
  approved: boolean;
};

export type EntryWanted = {
  key: string;
};

export type Erasing = {
  address: string;
  because: string;
};

export type Example = {
  answers: Record<string, string>;
  context: Context;
};

export type Expectation =
  | ({ type: "is" } & ExpectationIs)
  | ({ type: "counts" } & ExpectationCounts)
  | ({ type: "offered" } & ExpectationOffered)
  | ({ type: "looks" } & ExpectationLooks)
  | ({ type: "tells" } & ExpectationTells)
  | ({ type: "refuses" } & ExpectationRefuses)
  | ({ type: "takesPart" } & ExpectationTakesPart)
  | ({ type: "finishes" } & ExpectationFinishes);

export type ExpectationCounts = {
  address: string;
  typed: string;
};

export type ExpectationFinishes = {
  is: boolean;
};

export type ExpectationIs = {
  address: string;
  aspect: Aspect;
  is: boolean;
};

export type ExpectationLooks = {
  address: string;
  look: Look;
};

export type ExpectationOffered = {
  address: string;
  choices: string[];
};

export type ExpectationRefuses = {
  address: string;
  is: boolean;
};

export type ExpectationTakesPart = {
  role: string;
  is: boolean;
};

export type ExpectationTells = {
  address: string;
  sign: string;
};

export type Explained = {
  text: string;
  holds: boolean;
  seen: SeenAnswer[];
  parts: Explained[];
  blank: string;
};

export type Extent = "item" | "row";

export type Field = {
  key: string;
  label: string;
  help: string;
  width: Width;
  kind: FieldKind;
  role: string;
  shown: Condition | null;
  required: Condition | null;
  editable: Condition | null;
  value: FieldValue | null;
  bands: Band[];
  looks: LookRule[];
  checks: Check[];
  folding: Folding;
  medium: Medium;
};

export type FieldKind =
  | ({ type: "text" } & FieldKindText)
  | ({ type: "longText" } & FieldKindLongText)
  | ({ type: "email" } & FieldKindEmail)
  | ({ type: "phone" } & FieldKindPhone)
  | ({ type: "webAddress" } & FieldKindWebAddress)
  | ({ type: "number" } & FieldKindNumber)
  | ({ type: "money" } & FieldKindMoney)
  | ({ type: "rating" } & FieldKindRating)
  | ({ type: "yesNo" } & FieldKindYesNo)
  | ({ type: "date" } & FieldKindDate)
  | ({ type: "time" } & FieldKindTime)
  | ({ type: "dateSigned" } & FieldKindDateSigned)
  | ({ type: "signature" } & FieldKindSignature)
  | ({ type: "initials" } & FieldKindInitials)
  | ({ type: "attachment" } & FieldKindAttachment)
  | ({ type: "picture" } & FieldKindPicture)
  | ({ type: "oneChoice" } & FieldKindOneChoice)
  | ({ type: "severalChoices" } & FieldKindSeveralChoices)
  | ({ type: "lookup" } & FieldKindLookup)
  | ({ type: "payment" } & FieldKindPayment);

export type FieldKindAttachment = {
  most: number;
  largest: number;
  endings: string[];
};

export type FieldKindChoiceStyle = {
  columns: number;
  mark: MarkShape;
  size: Size;
};

export type FieldKindDate = {
  earliest: string | null;
  latest: string | null;
};

export type FieldKindDateSigned = {
};

export type FieldKindEmail = {
};

export type FieldKindInitials = {
};

export type FieldKindLongText = {
  placeholder: string;
  longest: number;
};

export type FieldKindLookup = {
  list: string;
  column: string;
  filters: Record<string, string>;
};

export type FieldKindMoney = {
  currency: string;
  lower: Bound | null;
  upper: Bound | null;
};

export type FieldKindNumber = {
  decimals: number;
  unit: string;
  lower: Bound | null;
  upper: Bound | null;
};

export type FieldKindOneChoice = {
  choices: Choice[];
  layout: ChoiceLayout;
  style: FieldKindChoiceStyle;
  other: boolean;
  offer: Offer | null;
};

export type FieldKindPayment = {
  currency: string;
  amount: string;
};

export type FieldKindPhone = {
  region: string;
};

export type FieldKindPicture = {
  largest: number;
};

export type FieldKindRating = {
  most: number;
};

export type FieldKindSeveralChoices = {
  choices: Choice[];
  layout: ChoiceLayout;
  style: FieldKindChoiceStyle;
  other: boolean;
  offer: Offer | null;
  least: number;
  most: number;
};

export type FieldKindSignature = {
};

export type FieldKindText = {
  placeholder: string;
  longest: number;
};

export type FieldKindTime = {
  earliest: string | null;
  latest: string | null;
};

export type FieldKindWebAddress = {
};

export type FieldKindYesNo = {
};

export type FieldOperand = {
  field: string;
};

export type FieldToFill = {
  key: string;
  label: string;
};

export type FieldValue =
  | ({ type: "starting" } & FieldValueStarting)
  | ({ type: "workedOut" } & FieldValueWorkedOut);

export type FieldValueStarting = {
  answer: string;
};

export type FieldValueWorkedOut = {
  formula: string;
  overtypable: boolean;
};

export type FillLink = {
  id: number;
  release: number;
  made: string;
  opening: LinkTimes;
  ended: string | null;
  begun: number;
  finished: number;
};

export type FillLinkList = {
  links: FillLink[];
};

export type FilledPage = {
  key: string;
  sheet: SheetPage;
  inks: Ink[];
};

export type FilledPages = {
  pages: FilledPage[];
};

export type Finding = {
  topic: FindingTopic;
  key: string;
  message: string;
  blocks: boolean;
  example: Example | null;
  mends: Mend[];
  accepted: string;
};

export type FindingTopic = "content" | "logic" | "values" | "texts" | "signing" | "finishing" | "print";

export type FinishRule = {
  when: Condition;
  message: string;
};

export type FinishView = {
  rule: FinishRule;
  sentence: Sentence;
};

export type Finished = {
  record: number | null;
  obstacles: Obstacle[];
};

export type FirstAuthor = {
  link: string;
  name: string;
  password: string;
};

export type FlatPage = {
  proposals: ProposedPlace[];
  boxes: PrintedBox[];
  across: number[];
  down: number[];
};

export type Folding = {
  keepsSpace: boolean;
  motion: Motion;
  milliseconds: number;
};

export type FormAbout = {
  release: number;
  leftOut: LeftOut[];
};

export type FormulaOperand = {
  formula: string;
};

export type FormulaTrouble = {
  at: number;
  end: number;
  message: string;
  instead: string | null;
};

export type Found = "underscores" | "dots" | "line" | "cell" | "box" | "shade" | "comb" | "square";

export type FoundOnPage = {
  page: FlatPage;
  left: number[];
};

export type FunctionView = {
  name: string;
  parameters: string[];
  required: number;
  variadic: boolean;
  says: string;
  example: string;
};

export type HandedOn = {
  name: string;
  address: string;
  phone: string;
  because: string;
};

export type History = {
  steps: Step[];
};

export type HowMany = "exactlyOne" | "atMostOne" | "atLeastOne";

export type IdentityAnswer = {
  shown: boolean;
  problem: string;
};

export type IdentityAsked = {
  check: IdentityCheck;
  to: string;
  isSent: boolean;
  organisation: Organisation;
};

export type IdentityCheck = "link" | "mailCode" | "textCode" | "phrase";

export type IdentityGiven = {
  given: string;
};

export type Indicator = {
  key: string;
  label: string;
  follows: string;
  bands: Band[];
  choices: ChoiceSign[];
  presence: Presence | null;
  shown: Condition | null;
  folding: Folding;
};

export type Ink =
  | ({ type: "lettered" } & InkLettered)
  | ({ type: "ticked" } & InkTicked)
  | ({ type: "signedHere" } & InkSignedHere)
  | ({ type: "picturedHere" } & InkPicturedHere)
  | ({ type: "drawn" } & InkDrawn);

export type InkDrawn = {
  place: Place;
  label: string;
  shape: OverlayShape;
  words: string;
};

export type InkLettered = {
  place: Place;
  label: string;
  text: string;
  look: Look;
};

export type InkPicturedHere = {
  place: Place;
  label: string;
  picture: string;
  file: string;
};

export type InkSignedHere = {
  place: Place;
  label: string;
  signed: string;
  role: string;
};

export type InkTicked = {
  place: Place;
  label: string;
  choice: string;
  tick: Tick;
};

export type Item =
  | ({ type: "field" } & Field)
  | ({ type: "notice" } & Notice)
  | ({ type: "indicator" } & Indicator)
  | ({ type: "picture" } & Picture)
  | ({ type: "divider" } & Divider)
  | ({ type: "overlay" } & Overlay)
  | ({ type: "section" } & Section);

export type KeepBlock = {
  revision: number;
  section: string;
  name: string;
};

export type KeepFor = {
  days: number | null;
};

export type KeptOf = {
  what: string;
  path: string;
};

export type Kind = "record" | "dispatch" | "filling" | "message";

export type KnownPerson = {
  address: string;
  erasable: KeptOf[];
  evidence: KeptOf[];
};

export type LeftOut = {
  key: string;
  sentence: string;
};

export type LeftProposals = {
  numbers: number[];
};

export type LengthClause = {
  field: string;
  test: OrderTest;
  length: number;
  whenBlank: boolean | null;
};

export type Lettering = {
  size: number;
  cells: number;
  lines: boolean;
  alignment: Alignment;
  tick: Tick;
};

export type Line =
  | ({ type: "answer" } & LineAnswer)
  | ({ type: "signature" } & LineSignature)
  | ({ type: "handedIn" } & LineHandedIn)
  | ({ type: "told" } & LineTold)
  | ({ type: "indicated" } & LineIndicated)
  | ({ type: "pictured" } & LinePictured)
  | ({ type: "ruled" } & LineRuled)
  | ({ type: "noted" } & LineNoted);

export type LineAnswer = {
  key: string;
  label: string;
  text: string;
  look: Look;
  width: Width;
  choices: Choices;
};

export type LineHandedIn = {
  key: string;
  label: string;
  file: string;
  name: string;
  width: Width;
};

export type LineIndicated = {
  label: string;
  text: string;
  look: Look;
};

export type LineNoted = {
  text: string;
};

export type LinePictured = {
  label: string;
  picture: string;
  file: string;
};

export type LineRuled = {
};

export type LineSignature = {
  key: string;
  label: string;
  signed: string;
  role: string;
  roleName: string;
  width: Width;
};

export type LineTold = {
  number: string;
  clause: number;
  text: Passage[];
  look: Look;
};

export type LinkTimes = {
  opens: string | null;
  closes: string | null;
};

export type ListView = {
  key: string;
  name: string;
  columns: Column[];
  rows: number;
  source: Source | null;
};

export type Look = {
  shade: Shade;
  bold: boolean;
  mark: Mark;
  italic: boolean;
  words: string;
  colours: Colours | null;
};

export type LookRule = {
  when: Condition;
  look: Look;
  extent: Extent;
};

export type LookupList = {
  key: string;
  name: string;
  columns: Column[];
  rows: string[][];
  source: Source | null;
};

export type LookupPage = {
  id: string;
  list: LookupList;
  version: number;
  versions: VersionRow[];
  uses: LookupUse[];
};

export type LookupRow = {
  id: string;
  name: string;
  version: number;
  by: string;
  made: string;
};

export type LookupUse = {
  template: string;
  title: string;
  version: number;
};

export type LookupWanted = {
  revision: number;
  lookup: string;
};

export type Lookups = {
  lookups: LookupRow[];
  registers: Register[];
};

export type MadeOf = {
  name: string;
};

export type MailRow = {
  id: number;
  service: OutsideService;
  made: string;
  name: string;
  address: string;
  subject: string;
  body: string;
  path: string;
  code: string;
  tries: number;
  delivered: string | null;
};

export type Making = "pdf" | "docx" | "fillable" | "fillableDocx";

export type Mark = "none" | "tick" | "drop" | "eye" | "warning" | "stop";

export type MarkShape = "usual" | "round" | "square" | "tick" | "cross";

export type Marked = {
  label: string;
  isChosen: boolean;
};

export type Medium = "both" | "filling" | "document";

export type Mend = {
  words: string;
  edit: Edit;
};

export type MergeRun = {
  id: string;
  release: number;
  making: Making;
  name: string;
  documents: number;
  tried: number;
  made: number;
  begun: string;
  ended: string | null;
  remarked: Remarked[];
};

export type MergeRunList = {
  runs: MergeRun[];
};

export type Missed = {
  address: string;
  about: string;
  expected: string;
  actual: string;
  because: string;
};

export type Motion = "none" | "fade" | "slide";

export type NameView = {
  name: string;
  label: string;
  type: string;
};

export type Named = {
  name: string;
};

export type NewAccount = {
  name: string;
  password: string;
  role: AccountRole;
};

export type NewLink = {
  release: number;
  path: string;
};

export type NewLookup = {
  name: string;
  table: string;
};

export type NewRelease = {
  revision: number;
  notes: string;
  accepted: string;
};

export type NewTemplate = {
  title: string;
};

export type NextLookup = {
  version: number;
  name: string;
  table: string;
  lines: string[][];
};

export type Node =
  | ({ type: "page" } & Page)
  | ({ type: "field" } & Field)
  | ({ type: "notice" } & Notice)
  | ({ type: "indicator" } & Indicator)
  | ({ type: "picture" } & Picture)
  | ({ type: "divider" } & Divider)
  | ({ type: "overlay" } & Overlay)
  | ({ type: "section" } & Section);

export type NodeState =
  | ({ type: "plain" } & NodeStatePlainState)
  | ({ type: "notice" } & NodeStateNoticeState)
  | ({ type: "section" } & NodeStateSectionState)
  | ({ type: "row" } & NodeStateRowState)
  | ({ type: "field" } & NodeStateFieldState)
  | ({ type: "indicator" } & NodeStateIndicatorState);

export type NodeStateFieldState = {
  shown: boolean;
  met: Aspect[];
  editable: boolean;
  required: boolean;
  missing: boolean;
  value: Value;
  band: string | null;
  look: Look;
  offered: string[] | null;
  overtyped: boolean;
  due: string | null;
  problem: string | null;
};

export type NodeStateIndicatorState = {
  shown: boolean;
  met: Aspect[];
  band: string | null;
};

export type NodeStateNoticeState = {
  shown: boolean;
  met: Aspect[];
  look: Look;
  number: string;
  text: Passage[];
};

export type NodeStatePlainState = {
  shown: boolean;
  met: Aspect[];
};

export type NodeStateRowState = {
  shown: boolean;
  met: Aspect[];
  look: Look;
};

export type NodeStateSectionState = {
  shown: boolean;
  met: Aspect[];
  open: boolean;
  look: Look;
  rows: string[] | null;
  problem: string | null;
  number: string;
};

export type NodeView = {
  node: Node;
  name: string;
  sentences: Sentence[];
  state: NodeState;
  folded: string;
  bond: Bond;
};

export type Notice = {
  key: string;
  text: string;
  phrases: Phrase[];
  clause: number;
  medium: Medium;
  shown: Condition | null;
  looks: LookRule[];
  folding: Folding;
};

export type Novelty = "page" | "section" | "repeatingSection" | "text" | "longText" | "email" | "phone" | "webAddress" | "number" | "money" | "rating" | "yesNo" | "oneChoice" | "severalChoices" | "lookup" | "date" | "time" | "signature" | "initials" | "dateSigned" | "attachment" | "pictureField" | "payment" | "workedOut" | "notice" | "indicator" | "picture" | "divider" | "stroke" | "ring" | "cover";

export type NumberOperand = {
  number: string;
};

export type Numbering = "sections" | "shownSections" | "none";

export type Obstacle = {
  key: string;
  message: string;
};

export type OfAddress = {
  address: string;
};

export type OfRole = {
  role: string;
};

export type Offer = {
  parent: string;
  perAnswer: Record<string, string[]>;
};

export type OnlyInOne = {
  key: string;
  name: string;
};

export type OpenInvitation = {
  title: string;
  message: string;
  roles: RoleToName[];
  organisation: Organisation;
};

export type OpenLinkList = {
  links: OpenLinkRow[];
};

export type OpenLinkMade = {
  path: string;
};

export type OpenLinkRow = {
  id: number;
  release: number;
  made: string;
  by: string;
  begun: number;
  ended: string | null;
};

export type OpenLinkWanted = {
  message: string;
  dueDays: number;
  remindDays: number;
  mayDelegate: boolean;
  mailCode: boolean;
  filesInside: boolean;
  endsWhenDue: boolean;
  mostADay: number;
};

export type OpenTurn = {
  sheet: Sheet;
  role: string;
  name: string;
  message: string;
  due: string | null;
  mayDelegate: boolean;
  check: IdentityCheck;
  hasOpened: boolean;
  hasConsented: boolean;
  consent: string;
  others: Other[];
  owned: string[];
  mine: string[];
};

export type Operator = "is" | "isNot" | "equal" | "notEqual" | "less" | "atMost" | "more" | "atLeast" | "between" | "contains" | "doesNotContain" | "startsWith" | "endsWith" | "matches" | "outside" | "inBand" | "length" | "includes" | "doesNotInclude" | "includesAll" | "isExactly" | "chosen" | "answered" | "blank";

export type OrderTest = "equal" | "notEqual" | "less" | "atMost" | "more" | "atLeast";

export type Organisation = {
  name: string;
  accent: string;
  hasLogo: boolean;
};

export type Origin = {
  block: string;
  version: number;
  keys: Record<string, string>;
};

export type Other = {
  title: string;
  name: string;
  turn: Turn;
};

export type Outside = {
  services: Setting[];
  mail: MailRow[];
  passed: Passed[];
};

export type OutsideService = "mail" | "textMessages" | "payments" | "directory" | "authority" | "webhooks";

export type Overlay = {
  key: string;
  label: string;
  shape: OverlayShape;
  words: string;
  shown: Condition | null;
};

export type OverlayShape = "stroke" | "ring" | "cover";

export type OwnAddress = {
  address: string;
};

export type OwnerWanted = {
  name: string;
};

export type Page = {
  key: string;
  title: string;
  shown: Condition | null;
  sheet: SheetPage | null;
  places: Place[];
  sections: Section[];
};

export type PageSettings = {
  spacing: Spacing;
  paper: Paper;
  numbering: Numbering;
  language: string;
};

export type Paper = "a4" | "letter";

export type Part =
  | ({ type: "words" } & PartWords)
  | ({ type: "strong" } & PartStrong)
  | ({ type: "fieldName" } & PartFieldName)
  | ({ type: "sharedName" } & PartSharedName)
  | ({ type: "figure" } & PartFigure)
  | ({ type: "blankRule" } & PartBlankRule);

export type PartBlankRule = {
  text: string;
};

export type PartFieldName = {
  key: string;
  text: string;
};

export type PartFigure = {
  text: string;
};

export type PartSharedName = {
  key: string;
  text: string;
};

export type PartStrong = {
  text: string;
};

export type PartWords = {
  text: string;
};

export type PartyRow = {
  role: string;
  title: string;
  order: number;
  name: string;
  address: string;
  phone: string;
  turn: Turn;
  opened: boolean;
  check: IdentityCheck;
  identified: boolean;
};

export type Passage =
  | ({ type: "paragraph" } & PassageParagraph)
  | ({ type: "grid" } & PassageGrid);

export type PassageCell = {
  spans: PassageSpan[];
};

export type PassageColumn = {
  head: PassageCell;
  numeric: boolean;
};

export type PassageGrid = {
  columns: PassageColumn[];
  rows: PassageCell[][];
};

export type PassageParagraph = {
  point: boolean;
  spans: PassageSpan[];
};

export type PassageSpan = {
  text: string;
  strong: boolean;
  emphasis: boolean;
  reference: string;
};

export type Passed = {
  service: OutsideService;
  at: string;
  what: string;
  failed: boolean;
};

export type PasskeyAnswer = {
  credential: string;
};

export type PasskeyAsked = {
  options: string;
};

export type PasskeyList = {
  passkeys: PasskeyRow[];
};

export type PasskeyMade = {
  label: string;
  credential: string;
};

export type PasskeyRow = {
  id: number;
  label: string;
  made: string;
  used: string | null;
};

export type PasskeyWanted = {
  password: string;
};

export type PasswordChange = {
  before: string;
  after: string;
};

export type PasswordOf = {
  name: string;
};

export type PasswordSet = {
  link: string;
  password: string;
};

export type PeopleNamed = {
  people: PersonNamed[];
  confirmation: string;
  code: string;
};

export type PersonNamed = {
  role: string;
  name: string;
  address: string;
  check: IdentityCheck;
  phone: string;
  phrase: string;
};

export type Phrase = {
  name: string;
  when: Condition;
};

export type Picture = {
  key: string;
  label: string;
  file: string;
  follows: string;
  shown: Condition | null;
  folding: Folding;
};

export type PieceShape = "blank" | "exactly" | "between" | "choice" | "others" | "like" | "refused";

export type Place = {
  item: string;
  choice: string;
  row: number;
  left: number;
  top: number;
  width: number;
  height: number;
  lettering: Lettering;
  source: string;
  script: string;
};

export type Presence = {
  answered: Sign;
  blank: Sign;
};

export type PrintedBox = {
  left: number;
  top: number;
  width: number;
  height: number;
};

export type Progress = {
  key: string;
  title: string;
  needed: number;
  asked: number;
};

export type PromiseRule = {
  whenever: Condition;
  promised: Promised;
};

export type PromiseVerdict =
  | ({ type: "kept" } & PromiseVerdictKept)
  | ({ type: "broken" } & PromiseVerdictBroken)
  | ({ type: "open" } & PromiseVerdictOpen);

export type PromiseVerdictBroken = {
  example: Example;
  hint: string;
};

export type PromiseVerdictKept = {
  isIdle: boolean;
};

export type PromiseVerdictOpen = {
  because: string[];
};

export type PromiseView = {
  rule: PromiseRule;
  sentence: Sentence;
};

export type Promised =
  | ({ type: "nodeIs" } & PromisedNodeIs)
  | ({ type: "nodeLooks" } & PromisedNodeLooks)
  | ({ type: "someShown" } & PromisedSomeShown)
  | ({ type: "roleSigns" } & PromisedRoleSigns)
  | ({ type: "canFinish" } & PromisedCanFinish)
  | ({ type: "isMet" } & PromisedIsMet);

export type PromisedCanFinish = {
  is: boolean;
};

export type PromisedIsMet = {
  condition: Condition;
  is: boolean;
};

export type PromisedNodeIs = {
  key: string;
  aspect: Aspect;
  is: boolean;
};

export type PromisedNodeLooks = {
  key: string;
  look: Look;
  is: boolean;
};

export type PromisedRoleSigns = {
  role: string;
  is: boolean;
};

export type PromisedSomeShown = {
  keys: string[];
  count: HowMany;
};

export type Proof = {
  revision: number;
  findings: Finding[];
  promises: PromiseVerdict[];
  trials: TriedView[];
  coverage: TriedShare;
};

export type ProposedMark = {
  label: string;
  place: PrintedBox;
};

export type ProposedPlace = {
  number: number;
  found: Found;
  writing: Writing;
  label: string;
  heading: string;
  place: PrintedBox;
  marks: ProposedMark[];
  isOne: boolean;
  cells: number;
};

export type Quantity = "any" | "every" | "no";

export type ReachAcross = {
  column: ReachColumn;
  rows: AnswerPiece[];
  other: string;
  across: AnswerPiece[];
  cells: ReachCell[][];
};

export type ReachAspect =
  | ({ type: "ofNode" } & ReachAspectOfNode)
  | ({ type: "ofLook" } & ReachAspectOfLook)
  | ({ type: "ofCheck" } & ReachAspectOfCheck)
  | ({ type: "ofPhrase" } & ReachAspectOfPhrase)
  | ({ type: "ofChoice" } & ReachAspectOfChoice)
  | ({ type: "ofValue" } & ReachAspectOfValue)
  | ({ type: "ofText" } & ReachAspectOfText)
  | ({ type: "ofPicture" } & ReachAspectOfPicture)
  | ({ type: "ofList" } & ReachAspectOfList)
  | ({ type: "ofSign" } & ReachAspectOfSign)
  | ({ type: "ofRole" } & ReachAspectOfRole)
  | ({ type: "ofFinish" } & ReachAspectOfFinish);

export type ReachAspectOfCheck = {
  check: number;
};

export type ReachAspectOfChoice = {
  choice: string;
};

export type ReachAspectOfFinish = {
  rule: number;
};

export type ReachAspectOfList = {
};

export type ReachAspectOfLook = {
  rule: number;
  look: Look;
};

export type ReachAspectOfNode = {
  aspect: Aspect;
};

export type ReachAspectOfPhrase = {
  phrase: number;
};

export type ReachAspectOfPicture = {
};

export type ReachAspectOfRole = {
  role: string;
};

export type ReachAspectOfSign = {
};

export type ReachAspectOfText = {
};

export type ReachAspectOfValue = {
};

export type ReachCell = {
  becomes: Becomes;
  words: string;
  isTrouble: boolean;
};

export type ReachColumn = {
  key: string;
  name: string;
  heading: string;
  aspect: ReachAspect;
  yes: string;
  no: string;
  isSettable: boolean;
};

export type ReachExamples = {
  yes: Example | null;
  no: Example | null;
  because: string[];
};

export type ReachStroke = {
  key: string;
  aspect: ReachAspect;
  rows: number[];
  is: boolean;
};

export type ReachTable = {
  field: string;
  rows: AnswerPiece[];
  columns: ReachColumn[];
  cells: ReachCell[][];
  note: string;
};

export type ReachView = {
  revision: number;
  table: ReachTable;
};

export type Readable = {
  ratio: string;
  least: string;
  nearest: string;
};

export type Reason = {
  what: string;
  says: Explained;
};

export type RecordColumn = {
  key: string;
  name: string;
  label: string;
  numeric: boolean;
};

export type RecordPage = {
  number: number;
  release: number;
  finished: string;
  content: Content;
  files: ValueFile[];
  broken: string;
  broughtIn: BroughtIn | null;
  newer: number | null;
  older: number | null;
};

export type RecordTable = {
  title: string;
  columns: RecordColumn[];
  rows: Row[];
  found: number;
  total: number;
};

export type RefusedLine = {
  line: number;
  why: string;
};

export type Register = {
  key: string;
  name: string;
  by: string;
};

export type RegisterWanted = {
  key: string;
};

export type ReleaseList = {
  title: string;
  revision: number;
  changedSince: boolean;
  blocking: Finding[];
  releases: ReleaseRow[];
};

export type ReleaseRow = {
  number: number;
  released: string;
  by: string;
  notes: string;
  accepted: string;
  links: number;
  records: number;
};

export type Remarked = {
  number: number;
  isMade: boolean;
  problems: string[];
};

export type ResetMade = {
  path: string;
};

export type Retained = {
  days: number | null;
  deleted: Deleted[];
};

export type Returned = {
  position: number;
  called: string;
  taken: number;
  notTaken: string[];
  inTheWay: string[];
  record: number | null;
};

export type ReturnedFile = {
  release: number;
  releases: number[];
  first: Record<string, string>;
  forms: Returned[];
};

export type Rewritten = {
  key: string;
  name: string;
  what: string;
  before: string;
  after: string;
};

export type Right = "none" | "see" | "send" | "write" | "own";

export type Role = {
  key: string;
  name: string;
  order: number;
  takesPart: Condition | null;
};

export type RoleToName = {
  role: string;
  title: string;
  sometimes: boolean;
};

export type RoleView = {
  role: Role;
  takesPart: Sentence;
};

export type Row = {
  number: number;
  release: number;
  finished: string;
  cells: Record<string, string>;
};

export type Rows = {
  least: number;
  most: number;
};

export type Section = {
  key: string;
  title: string;
  help: string;
  shown: Condition | null;
  open: Condition | null;
  rows: Rows | null;
  looks: LookRule[];
  folding: Folding;
  medium: Medium;
  origin: Origin | null;
  items: Item[];
};

export type SeenAnswer = {
  key: string;
  name: string;
  value: string;
  counts: boolean;
};

export type SeenAs = {
  stage: Stage;
  role: string;
};

export type SendingWanted = {
  people: PersonNamed[];
  answers: Record<string, string>;
  message: string;
  due: string | null;
  remindDays: number;
  mayDelegate: boolean;
  filesInside: boolean;
  endsWhenDue: boolean;
};

export type Sentence = {
  aspects: Aspect[];
  parts: Part[];
};

export type SessionView = {
  author: string | null;
  role: AccountRole | null;
  needsSetup: boolean;
  demoAuthor: string | null;
};

export type SetClause = {
  field: string;
  test: SetTest;
  choices: string[];
  whenBlank: boolean | null;
};

export type SetInReach = {
  revision: number;
  edges: string[];
  strokes: ReachStroke[];
};

export type SetTest = "includes" | "doesNotInclude" | "includesAll" | "isExactly";

export type Setting = {
  service: OutsideService;
  failing: boolean;
  delay: number;
};

export type Shade = "plain" | "moss" | "river" | "straw" | "ochre" | "clay" | "stone";

export type SharedCondition = {
  key: string;
  name: string;
  condition: Condition;
};

export type SharedWith = {
  name: string;
  may: Right;
};

export type Sharing = {
  owner: string;
  shared: SharedWith[];
  accounts: string[];
};

export type SharingWanted = {
  shared: SharedWith[];
};

export type Sheet = {
  title: string;
  subtitle: string;
  held: Record<string, string[]>;
  nodes: Record<string, Node>;
  states: Record<string, NodeState>;
  answers: Record<string, string>;
  progress: Progress[];
  obstacles: Obstacle[];
  pageSettings: PageSettings;
  rightToLeft: boolean;
  hasOwnText: boolean;
  organisation: Organisation;
  record: number | null;
};

export type SheetPage = {
  file: string;
  number: number;
  width: number;
  height: number;
  script: string;
};

export type Sign = {
  label: string;
  look: Look;
  picture: string;
};

export type SignedTitle = {
  title: string;
};

export type Size = "medium" | "small" | "large";

export type Source = {
  list: string;
  version: number;
};

export type Spacing = "normal" | "compact" | "roomy";

export type Stage = "filling" | "reviewing" | "finished" | "print";

export type Stationery = {
  letterhead: string;
  footer: string;
  typeface: Typeface;
  paper: Paper;
};

export type Step = {
  revision: number;
  words: string;
  by: string;
  made: string;
  undone: boolean;
  back: number;
};

export type SuggestedTrial = {
  trial: Trial;
  tries: string[];
};

export type Suggestions = {
  trials: SuggestedTrial[];
  impossible: string[];
  isWhole: boolean;
};

export type TableColumn = {
  label: string;
  isNumeric: boolean;
};

export type TableReport = {
  accepted: number;
  refused: RefusedLine[];
  sent: boolean;
};

export type TableRow = {
  look: Look;
  cells: LineAnswer[];
};

export type TableWanted = {
  table: string;
  common: SendingWanted;
  send: boolean;
};

export type TakenOver = {
  revision: number;
  items: string[];
};

export type Template = {
  title: string;
  subtitle: string;
  pages: Page[];
  roles: Role[];
  conditions: SharedCondition[];
  lists: LookupList[];
  finish: FinishRule[];
  pageSettings: PageSettings;
  trials: Trial[];
  promises: PromiseRule[];
  accepted: AcceptedFinding[];
};

export type TemplateImported = {
  id: string;
  remarks: string[];
};

export type TemplateList = {
  templates: TemplateRow[];
};

export type TemplateMade = {
  id: string;
};

export type TemplateRow = {
  id: string;
  title: string;
  standing: TemplateStanding;
  changed: string;
  releases: number;
  records: number;
  may: Right;
};

export type TemplateStanding = "neverReleased" | "released" | "changedSinceRelease";

export type TextClause = {
  field: string;
  test: TextTest;
  text: string;
  matchCase: boolean;
  whenBlank: boolean | null;
};

export type TextTest = "is" | "isNot" | "contains" | "doesNotContain" | "startsWith" | "endsWith" | "matches";

export type Tick = "cross" | "tick" | "dot" | "ring";

export type TimeOperand = {
  time: string;
};

export type ToSend = {
  title: string;
  release: number;
  roles: RoleToName[];
  fields: FieldToFill[];
};

export type TodayOperand = {
  days: number;
};

export type TrailLine = {
  number: number;
  at: string;
  who: string;
  from: string;
  words: string;
  hash: string;
};

export type Trial = {
  name: string;
  answers: Record<string, string>;
  stage: Stage;
  role: string;
  day: string | null;
  expected: Expectation[];
};

export type TrialName = {
  name: string;
};

export type TrialView = {
  name: string;
  answers: number;
  expected: number;
};

export type TriedClause = {
  key: string;
  what: string;
  clause: string;
  isMet: boolean;
  isNotMet: boolean;
  decidesMet: boolean;
  decidesNotMet: boolean;
};

export type TriedEdge = {
  field: string;
  operand: ClauseOperand;
  edge: string;
  isTried: boolean;
};

export type TriedShare = {
  clauses: number;
  bothWays: number;
  deciding: number;
  edges: number;
  exactly: number;
  untried: TriedClause[];
  missedEdges: TriedEdge[];
};

export type TriedView = {
  name: string;
  missed: Missed[];
};

export type Turn = "waiting" | "acting" | "finished" | "skipped";

export type TurnEnded = {
  finished: boolean;
  obstacles: Obstacle[];
};

export type Typed = {
  key: string;
  typed: string;
};

export type TypedAnswer = {
  typed: string;
};

export type Typeface = "sans" | "serif";

export type Undecided = {
  key: string;
  name: string;
  what: string;
  because: string[];
};

export type UseOfBlock = {
  revision: number;
  block: string;
  holder: string;
  after: string | null;
};

export type Value =
  | { type: "blank" }
  | ({ type: "text" } & ValueText)
  | ({ type: "number" } & ValueNumber)
  | ({ type: "yesNo" } & ValueYesNo)
  | ({ type: "date" } & ValueDate)
  | ({ type: "time" } & ValueTime)
  | ({ type: "chosen" } & ValueChosen)
  | ({ type: "chosenSet" } & ValueChosenSet)
  | ({ type: "signed" } & ValueSigned)
  | ({ type: "files" } & ValueFiles)
  | ({ type: "paid" } & ValuePaid);

export type ValueChosen = {
  choice: string;
  words: string;
};

export type ValueChosenSet = {
  choices: string[];
  words: string;
};

export type ValueDate = {
  date: string;
};

export type ValueFile = {
  id: string;
  bytes: number;
  name: string;
};

export type ValueFiles = {
  files: ValueFile[];
};

export type ValueNumber = {
  number: string;
};

export type ValuePaid = {
  amount: string;
  reference: string;
};

export type ValueSigned = {
  reference: string;
};

export type ValueText = {
  text: string;
};

export type ValueTime = {
  time: string;
};

export type ValueYesNo = {
  yes: boolean;
};

export type Verb = {
  operator: Operator;
  words: string;
  metWhenBlank: boolean;
};

export type Verdict = "sealedHere" | "sealedByOthers" | "changed" | "notSealed" | "unreadable";

export type VersionDifference = {
  added: OnlyInOne[];
  removed: OnlyInOne[];
  changed: Changed[];
  rewritten: Rewritten[];
  open: Undecided[];
};

export type VersionRow = {
  version: number;
  by: string;
  made: string;
};

export type VersionsCompared = {
  from: number;
  to: number | null;
  revision: number;
  difference: VersionDifference;
};

export type Vocabulary = {
  operators: Record<string, Verb[]>;
};

export type Wanted = {
  name: string;
  accent: string;
};

export type Way = {
  opens: Aspect;
  changes: AnswerChange[];
};

export type WebhookPage = {
  target: WebhookTarget;
  deliveries: Delivery[];
};

export type WebhookTarget = {
  address: string;
  secret: string;
};

export type WebhookWanted = {
  address: string;
};

export type Why = {
  reasons: Reason[];
  foldedIn: string[];
  ways: Way[];
};

export type Width = "full" | "half" | "third";

export type Withdrawing = {
  because: string;
};

export type Writing = "line" | "lines" | "cells" | "mark";

export type WrittenFormula = {
  formula: string;
  rows: string;
};
