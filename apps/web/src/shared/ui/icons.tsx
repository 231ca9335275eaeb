import {
  AppstoreOutlined as AppstoreOutlinedIcon,
  ArrowLeftOutlined as ArrowLeftOutlinedIcon,
  ArrowRightOutlined as ArrowRightOutlinedIcon,
  BookOutlined as BookOutlinedIcon,
  CalendarOutlined as CalendarOutlinedIcon,
  CameraOutlined as CameraOutlinedIcon,
  CheckOutlined as CheckOutlinedIcon,
  CloseOutlined as CloseOutlinedIcon,
  CloudOutlined as CloudOutlinedIcon,
  CloudSyncOutlined as CloudSyncOutlinedIcon,
  CopyOutlined as CopyOutlinedIcon,
  DatabaseOutlined as DatabaseOutlinedIcon,
  DeleteOutlined as DeleteOutlinedIcon,
  DisconnectOutlined as DisconnectOutlinedIcon,
  DownloadOutlined as DownloadOutlinedIcon,
  EditOutlined as EditOutlinedIcon,
  FileOutlined as FileOutlinedIcon,
  FolderOpenOutlined as FolderOpenOutlinedIcon,
  HolderOutlined as HolderOutlinedIcon,
  InfoCircleOutlined as InfoCircleOutlinedIcon,
  LockOutlined as LockOutlinedIcon,
  PictureOutlined as PictureOutlinedIcon,
  PlusOutlined as PlusOutlinedIcon,
  PrinterOutlined as PrinterOutlinedIcon,
  QuestionCircleOutlined as QuestionCircleOutlinedIcon,
  RedoOutlined as RedoOutlinedIcon,
  RollbackOutlined as RollbackOutlinedIcon,
  SaveOutlined as SaveOutlinedIcon,
  SearchOutlined as SearchOutlinedIcon,
  SettingOutlined as SettingOutlinedIcon,
  StarFilled as StarFilledIcon,
  StarOutlined as StarOutlinedIcon,
  StopFilled as StopFilledIcon,
  SwapOutlined as SwapOutlinedIcon,
  SyncOutlined as SyncOutlinedIcon,
  UnlockOutlined as UnlockOutlinedIcon,
  WarningFilled as WarningFilledIcon,
} from '@ant-design/icons';
import { type ComponentProps, type ComponentType, memo } from 'react';

type Icon = ComponentType<ComponentProps<typeof PlusOutlinedIcon>>;

/**
 * An icon is a picture beside a word: it is no part of the name that is read out, unless it is given a name of its own.
 */
const beside = (Picture: Icon) =>
  memo(function BesideWords(props: ComponentProps<Icon>) {
    return <Picture {...(props['aria-label'] === undefined && { 'aria-hidden': true })} {...props} />;
  });

export const AppstoreOutlined = /* @__PURE__ */ beside(AppstoreOutlinedIcon);
export const ArrowLeftOutlined = /* @__PURE__ */ beside(ArrowLeftOutlinedIcon);
export const ArrowRightOutlined = /* @__PURE__ */ beside(ArrowRightOutlinedIcon);
export const BookOutlined = /* @__PURE__ */ beside(BookOutlinedIcon);
export const CalendarOutlined = /* @__PURE__ */ beside(CalendarOutlinedIcon);
export const CameraOutlined = /* @__PURE__ */ beside(CameraOutlinedIcon);
export const CheckOutlined = /* @__PURE__ */ beside(CheckOutlinedIcon);
export const CloseOutlined = /* @__PURE__ */ beside(CloseOutlinedIcon);
export const CloudOutlined = /* @__PURE__ */ beside(CloudOutlinedIcon);
export const CloudSyncOutlined = /* @__PURE__ */ beside(CloudSyncOutlinedIcon);
export const CopyOutlined = /* @__PURE__ */ beside(CopyOutlinedIcon);
export const DatabaseOutlined = /* @__PURE__ */ beside(DatabaseOutlinedIcon);
export const DeleteOutlined = /* @__PURE__ */ beside(DeleteOutlinedIcon);
export const DisconnectOutlined = /* @__PURE__ */ beside(DisconnectOutlinedIcon);
export const DownloadOutlined = /* @__PURE__ */ beside(DownloadOutlinedIcon);
export const EditOutlined = /* @__PURE__ */ beside(EditOutlinedIcon);
export const FileOutlined = /* @__PURE__ */ beside(FileOutlinedIcon);
export const FolderOpenOutlined = /* @__PURE__ */ beside(FolderOpenOutlinedIcon);
export const HolderOutlined = /* @__PURE__ */ beside(HolderOutlinedIcon);
export const InfoCircleOutlined = /* @__PURE__ */ beside(InfoCircleOutlinedIcon);
export const LockOutlined = /* @__PURE__ */ beside(LockOutlinedIcon);
export const PictureOutlined = /* @__PURE__ */ beside(PictureOutlinedIcon);
export const PlusOutlined = /* @__PURE__ */ beside(PlusOutlinedIcon);
export const PrinterOutlined = /* @__PURE__ */ beside(PrinterOutlinedIcon);
export const QuestionCircleOutlined = /* @__PURE__ */ beside(QuestionCircleOutlinedIcon);
export const RedoOutlined = /* @__PURE__ */ beside(RedoOutlinedIcon);
export const RollbackOutlined = /* @__PURE__ */ beside(RollbackOutlinedIcon);
export const SaveOutlined = /* @__PURE__ */ beside(SaveOutlinedIcon);
export const SearchOutlined = /* @__PURE__ */ beside(SearchOutlinedIcon);
export const SettingOutlined = /* @__PURE__ */ beside(SettingOutlinedIcon);
export const StarFilled = /* @__PURE__ */ beside(StarFilledIcon);
export const StarOutlined = /* @__PURE__ */ beside(StarOutlinedIcon);
export const StopFilled = /* @__PURE__ */ beside(StopFilledIcon);
export const SwapOutlined = /* @__PURE__ */ beside(SwapOutlinedIcon);
export const SyncOutlined = /* @__PURE__ */ beside(SyncOutlinedIcon);
export const UnlockOutlined = /* @__PURE__ */ beside(UnlockOutlinedIcon);
export const WarningFilled = /* @__PURE__ */ beside(WarningFilledIcon);
