export {
  CheckboxItem,
  Content,
  Item,
  ItemIndicator,
  Label,
  Root,
  Trigger,
} from '@radix-ui/react-dropdown-menu';
