import com.sun.tools.attach.VirtualMachine;
import java.util.ArrayList;
import java.util.List;

/**
 * Fills the memory of a running Java program until there is none: {@code java -cp FOLDER FillMemory PID AGENT.jar}, where the
 * jar has this class as its {@code Agent-Class}.
 */
public final class FillMemory {

    private FillMemory() {}

    public static void main(String[] arguments) throws Exception {
        VirtualMachine machine = VirtualMachine.attach(arguments[0]);
        machine.loadAgent(arguments[1]);
    }

    /** Runs in the program that is filled. */
    public static void agentmain(String argument) {
        List<byte[]> held = new ArrayList<>();
        while (true) {
            held.add(new byte[1 << 20]);
        }
    }
}
