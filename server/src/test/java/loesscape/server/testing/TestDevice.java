package loesscape.server.testing;

import java.io.ByteArrayOutputStream;
import java.math.BigInteger;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.MessageDigest;
import java.security.Signature;
import java.security.interfaces.ECPublicKey;
import java.security.spec.ECGenParameterSpec;
import java.util.Base64;
import java.util.HexFormat;
import loesscape.formats.json.Json;
import tools.jackson.databind.JsonNode;

/**
 * A device with one passkey, and whatever faults a test wants it to have. Its bytes are put together by hand: authenticator
 * data as in Web Authentication Level 3, 6.1; the key as in RFC 9053, 7.1; CBOR as in RFC 8949.
 */
public final class TestDevice {

    private static final int PRESENT = 0x01;
    private static final int VERIFIED = 0x04;
    private static final int HAS_CREDENTIAL = 0x40;

    private final KeyPair keys = keys();
    private byte[] handle = {};

    /** Where its browser is. */
    public String origin;

    /** Whom it believes to talk to. */
    public String party = "localhost";

    /** How often it has signed; stays 0 where a device does not count. */
    public int signatures;

    /** Whether its owner has unlocked it. */
    public boolean isUnlocked = true;

    /** By what the key is known. */
    public byte[] credential = "sixteen bytes of mine and more".getBytes(StandardCharsets.US_ASCII);

    /** @param origin as in {@code http://localhost:8080} */
    public TestDevice(String origin) {
        this.origin = origin;
    }

    private static KeyPair keys() {
        try {
            KeyPairGenerator generator = KeyPairGenerator.getInstance("EC");
            generator.initialize(new ECGenParameterSpec("secp256r1"));
            return generator.generateKeyPair();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    /** What a browser sends when this device has made a passkey as it was asked. */
    public String make(String options) {
        JsonNode asked = Json.parse(options.getBytes(StandardCharsets.UTF_8));
        handle = Base64.getUrlDecoder().decode(asked.get("user").get("id").stringValue());
        ECPublicKey key = (ECPublicKey) keys.getPublic();
        byte[] data = joined(
                head(HAS_CREDENTIAL),
                new byte[16],
                ByteBuffer.allocate(2).putShort((short) credential.length).array(),
                credential,
                HexFormat.of().parseHex("a5010203262001215820"),
                coordinate(key.getW().getAffineX()),
                HexFormat.of().parseHex("225820"),
                coordinate(key.getW().getAffineY()));
        byte[] attestation = joined(
                HexFormat.of().parseHex("a363666d74646e6f6e656761747453746d74a068617574684461746158"),
                new byte[] {(byte) data.length},
                data);
        String client = client("webauthn.create", asked);
        return """
                {"id":"%1$s","rawId":"%1$s","type":"public-key","authenticatorAttachment":"platform",
                 "clientExtensionResults":{},"response":{"clientDataJSON":"%2$s","attestationObject":"%3$s",
                 "transports":["internal"]}}
                """.formatted(base64(credential), base64(client.getBytes(StandardCharsets.UTF_8)), base64(attestation));
    }

    /** What a browser sends when this device has signed as it was asked. */
    public String sign(String options) {
        JsonNode asked = Json.parse(options.getBytes(StandardCharsets.UTF_8));
        byte[] data = head(0);
        byte[] client = client("webauthn.get", asked).getBytes(StandardCharsets.UTF_8);
        return """
                {"id":"%1$s","rawId":"%1$s","type":"public-key","authenticatorAttachment":"platform",
                 "clientExtensionResults":{},"response":{"clientDataJSON":"%2$s","authenticatorData":"%3$s",
                 "signature":"%4$s","userHandle":"%5$s"}}
                """.formatted(
                        base64(credential),
                        base64(client),
                        base64(data),
                        base64(signature(joined(data, hash(client)))),
                        base64(handle));
    }

    private byte[] head(int flags) {
        return ByteBuffer.allocate(37)
                .put(hash(party.getBytes(StandardCharsets.UTF_8)))
                .put((byte) (flags | PRESENT | (isUnlocked ? VERIFIED : 0)))
                .putInt(signatures)
                .array();
    }

    private String client(String type, JsonNode asked) {
        return "{\"type\":\"%s\",\"challenge\":\"%s\",\"origin\":\"%s\",\"crossOrigin\":false}"
                .formatted(type, asked.get("challenge").stringValue(), origin);
    }

    private byte[] signature(byte[] of) {
        try {
            Signature signature = Signature.getInstance("SHA256withECDSA");
            signature.initSign(keys.getPrivate());
            signature.update(of);
            return signature.sign();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] hash(byte[] of) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(of);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] coordinate(BigInteger number) {
        byte[] bytes = number.toByteArray();
        byte[] fitted = new byte[32];
        int length = Math.min(bytes.length, fitted.length);
        System.arraycopy(bytes, bytes.length - length, fitted, fitted.length - length, length);
        return fitted;
    }

    private static byte[] joined(byte[]... parts) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (byte[] part : parts) {
            all.writeBytes(part);
        }
        return all.toByteArray();
    }

    private static String base64(byte[] bytes) {
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }
}
