import { keyWords, useBoard } from '../ui/commands';
import { Panel } from '../ui/Panel';

/** Every key that does something now. */
export function Keys({ onClose }: { onClose: () => void }) {
  const { commands } = useBoard();
  return (
    <Panel
      title="Keys"
      about="They work where nothing that takes letters or arrows has the focus; Esc leaves it. On the plan, arrow keys move the fish, the wind and the fly."
      onClose={onClose}
    >
      <table className="w-full">
        <tbody>
          {commands
            .filter((c) => c.keys.length > 0)
            .map((c) => (
              <tr key={c.id} className="border-t border-hair">
                <td className="py-1">{c.name}</td>
                <td className="text-right font-semibold">{keyWords(c.keys).join(' or ')}</td>
              </tr>
            ))}
        </tbody>
      </table>
    </Panel>
  );
}
