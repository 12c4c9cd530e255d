import { Command } from 'cmdk';
import { keyWords, useBoard } from './commands';

/** Everything that can be done, found by typing. */
export function Palette({ onClose }: { onClose: () => void }) {
  const { commands } = useBoard();
  const groups = [...new Set(commands.map((c) => c.group))];
  return (
    <Command.Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      label="Commands"
      overlayClassName="fixed inset-0 z-40 bg-ink/30"
      contentClassName="fixed top-[12vh] left-1/2 z-50 w-[min(36rem,94vw)] -translate-x-1/2 overflow-hidden rounded border border-ink bg-paper text-ink shadow-xl"
    >
      <Command.Input
        placeholder="What do you want to do?"
        className="w-full border-b border-ink bg-transparent px-4 py-3 text-lg outline-none"
      />
      <Command.List className="max-h-[56vh] overflow-auto p-2">
        <Command.Empty className="p-3 text-soft">Nothing goes by that name.</Command.Empty>
        {groups.map((group) => (
          <Command.Group
            key={group}
            heading={group}
            className="**:[[cmdk-group-heading]]:px-2 **:[[cmdk-group-heading]]:pt-2 **:[[cmdk-group-heading]]:text-sm **:[[cmdk-group-heading]]:text-soft"
          >
            {commands
              .filter((c) => c.group === group && c.run)
              .map((command) => (
                <Command.Item
                  key={command.id}
                  value={`${command.name} ${command.id}`}
                  keywords={command.words?.split(' ') ?? []}
                  className="flex cursor-pointer items-center justify-between gap-4 rounded px-2 py-1.5 data-[selected=true]:bg-water"
                  onSelect={() => {
                    onClose();
                    command.run?.();
                  }}
                >
                  {command.name}
                  <span className="rubric">{keyWords(command.keys).join(' or ')}</span>
                </Command.Item>
              ))}
          </Command.Group>
        ))}
      </Command.List>
    </Command.Dialog>
  );
}
