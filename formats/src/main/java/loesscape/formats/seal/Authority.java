package loesscape.formats.seal;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigInteger;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.KeyStore;
import java.security.MessageDigest;
import java.security.PrivateKey;
import java.security.PublicKey;
import java.security.SecureRandom;
import java.security.UnrecoverableKeyException;
import java.security.cert.Certificate;
import java.security.cert.CertificateEncodingException;
import java.security.cert.X509Certificate;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Date;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.bouncycastle.asn1.ASN1EncodableVector;
import org.bouncycastle.asn1.ASN1ObjectIdentifier;
import org.bouncycastle.asn1.DERSet;
import org.bouncycastle.asn1.cms.Attribute;
import org.bouncycastle.asn1.cms.AttributeTable;
import org.bouncycastle.asn1.cms.CMSAttributes;
import org.bouncycastle.asn1.cms.ContentInfo;
import org.bouncycastle.asn1.ess.ESSCertIDv2;
import org.bouncycastle.asn1.ess.SigningCertificateV2;
import org.bouncycastle.asn1.oiw.OIWObjectIdentifiers;
import org.bouncycastle.asn1.pkcs.PKCSObjectIdentifiers;
import org.bouncycastle.asn1.x500.RDN;
import org.bouncycastle.asn1.x500.X500Name;
import org.bouncycastle.asn1.x500.X500NameBuilder;
import org.bouncycastle.asn1.x500.style.BCStyle;
import org.bouncycastle.asn1.x509.AlgorithmIdentifier;
import org.bouncycastle.asn1.x509.BasicConstraints;
import org.bouncycastle.asn1.x509.CRLNumber;
import org.bouncycastle.asn1.x509.CRLReason;
import org.bouncycastle.asn1.x509.ExtendedKeyUsage;
import org.bouncycastle.asn1.x509.Extension;
import org.bouncycastle.asn1.x509.KeyPurposeId;
import org.bouncycastle.asn1.x509.KeyUsage;
import org.bouncycastle.cert.X509CRLHolder;
import org.bouncycastle.cert.X509CertificateHolder;
import org.bouncycastle.cert.X509v2CRLBuilder;
import org.bouncycastle.cert.X509v3CertificateBuilder;
import org.bouncycastle.cert.jcajce.JcaCertStore;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.cert.jcajce.JcaX509CertificateHolder;
import org.bouncycastle.cert.jcajce.JcaX509ExtensionUtils;
import org.bouncycastle.cert.jcajce.JcaX509v2CRLBuilder;
import org.bouncycastle.cert.jcajce.JcaX509v3CertificateBuilder;
import org.bouncycastle.cms.CMSAttributeTableGenerator;
import org.bouncycastle.cms.CMSException;
import org.bouncycastle.cms.CMSProcessableByteArray;
import org.bouncycastle.cms.CMSSignedData;
import org.bouncycastle.cms.CMSSignedDataGenerator;
import org.bouncycastle.cms.DefaultSignedAttributeTableGenerator;
import org.bouncycastle.cms.SignerInformation;
import org.bouncycastle.cms.SignerInformationStore;
import org.bouncycastle.cms.jcajce.JcaSignerInfoGeneratorBuilder;
import org.bouncycastle.cms.jcajce.JcaSimpleSignerInfoGeneratorBuilder;
import org.bouncycastle.operator.DigestCalculator;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.operator.jcajce.JcaContentSignerBuilder;
import org.bouncycastle.operator.jcajce.JcaDigestCalculatorProviderBuilder;
import org.bouncycastle.tsp.TSPAlgorithms;
import org.bouncycastle.tsp.TSPException;
import org.bouncycastle.tsp.TimeStampRequestGenerator;
import org.bouncycastle.tsp.TimeStampToken;
import org.bouncycastle.tsp.TimeStampTokenGenerator;
import org.jspecify.annotations.Nullable;

/**
 * A small certificate authority of one's own: a root, and one certificate each for sealing and for telling the time. It
 * stands in for an authority that is known to everybody; with it a seal proves that nothing was changed, and who knows the
 * root also knows who sealed.
 */
public final class Authority {

    private static final int KEY_BITS = 3072;
    private static final int YEARS = 20;

    /** A clock that was ahead when the certificates were made must not put honest seals before their time. */
    private static final Duration CLOCKS_DIFFER = Duration.ofDays(2);

    private static final String ALGORITHM = "SHA256withRSA";
    private static final String ROOT = "root";
    private static final String SEAL = "seal";
    private static final String TIME = "time";

    /** How long a list of what was called back is the newest, as it says of itself. */
    private static final Duration LIST_HOLDS = Duration.ofDays(30);

    /**
     * A key, open, for a key store would open it anew each time it is asked for, which takes longer than signing.
     *
     * @param certificates its own, and where that is another's the one of the root
     */
    private record OpenKey(PrivateKey key, List<X509Certificate> certificates) {}

    private final Map<String, OpenKey> keys;
    private final List<Revoked> revoked;

    private Authority(Map<String, OpenKey> keys, List<Revoked> revoked) {
        this.keys = Map.copyOf(keys);
        this.revoked = List.copyOf(revoked);
    }

    /**
     * Makes a new authority.
     *
     * @param name of whom it belongs to
     * @param now from when its certificates hold
     */
    public static Authority make(String name, Instant now) {
        try {
            KeyPair root = pair();
            X500Name issuer = named(name, "Local root");
            X509Certificate certificate = certificate(issuer, root, issuer, root.getPublic(), now, null);
            return new Authority(issued(name, issuer, root, certificate, now), List.of());
        } catch (GeneralSecurityException | IOException | OperatorCreationException e) {
            throw new IllegalStateException("The certificates cannot be made", e);
        }
    }

    private static Map<String, OpenKey> issued(
            String name, X500Name issuer, KeyPair root, X509Certificate rootCertificate, Instant now)
            throws GeneralSecurityException, IOException, OperatorCreationException {
        Map<String, OpenKey> keys = new HashMap<>();
        keys.put(ROOT, new OpenKey(root.getPrivate(), List.of(rootCertificate)));
        for (String use : List.of(SEAL, TIME)) {
            KeyPair pair = pair();
            X509Certificate certificate = certificate(
                    issuer, root, named(name, use.equals(SEAL) ? "Seal" : "Time"), pair.getPublic(), now, use);
            keys.put(use, new OpenKey(pair.getPrivate(), List.of(certificate, rootCertificate)));
        }
        return keys;
    }

    /** The same authority, which knows of certificates that were called back. */
    public Authority withRevoked(List<Revoked> revoked) {
        return new Authority(keys, revoked);
    }

    /** The certificates that were called back. */
    public List<Revoked> revoked() {
        return revoked;
    }

    /** The same root with new keys and certificates for sealing and for telling the time; those of before are called back. */
    public Authority renewed(Instant now) {
        try {
            X509Certificate root = root();
            X500Name issuer = new JcaX509CertificateHolder(root).getSubject();
            String name = issuer.getRDNs(BCStyle.O)[0].getFirst().getValue().toString();
            KeyPair pair = new KeyPair(root.getPublicKey(), key(ROOT));
            Map<String, OpenKey> renewed = issued(name, issuer, pair, root, now);
            List<Revoked> all = new ArrayList<>(revoked);
            for (String use : List.of(SEAL, TIME)) {
                all.add(new Revoked(certificate(use).getSerialNumber(), now.truncatedTo(ChronoUnit.SECONDS)));
            }
            return new Authority(renewed, all);
        } catch (GeneralSecurityException | IOException | OperatorCreationException e) {
            throw new IllegalStateException("The certificates cannot be made anew", e);
        }
    }

    /** The list of what was called back by now (RFC 5280, 5), signed by the root, as DER. */
    public byte[] revocationList(Instant now) {
        try {
            return listed(now).getEncoded();
        } catch (GeneralSecurityException | IOException | OperatorCreationException e) {
            throw new IllegalStateException("The list of revoked certificates cannot be made", e);
        }
    }

    private X509CRLHolder listed(Instant now) throws GeneralSecurityException, IOException, OperatorCreationException {
        X509v2CRLBuilder list = new JcaX509v2CRLBuilder(root(), Date.from(now));
        list.setNextUpdate(Date.from(now.plus(LIST_HOLDS)));
        for (Revoked each : revoked) {
            list.addCRLEntry(each.serial(), Date.from(each.since()), CRLReason.superseded);
        }
        list.addExtension(
                Extension.authorityKeyIdentifier,
                false,
                new JcaX509ExtensionUtils().createAuthorityKeyIdentifier(root().getPublicKey()));
        list.addExtension(Extension.cRLNumber, false, new CRLNumber(BigInteger.valueOf(now.toEpochMilli())));
        return list.build(new JcaContentSignerBuilder(ALGORITHM).build(key(ROOT)));
    }

    private static X500Name named(String name, String use) {
        return new X500NameBuilder(BCStyle.INSTANCE)
                .addRDN(BCStyle.O, name)
                .addRDN(BCStyle.CN, name + " · " + use)
                .build();
    }

    private static KeyPair pair() throws GeneralSecurityException {
        KeyPairGenerator generator = KeyPairGenerator.getInstance("RSA");
        generator.initialize(KEY_BITS);
        return generator.generateKeyPair();
    }

    /** A certificate as RFC 5280 has it. */
    private static X509Certificate certificate(
            X500Name issuer, KeyPair root, X500Name subject, PublicKey key, Instant now, @Nullable String use)
            throws GeneralSecurityException, IOException, OperatorCreationException {
        Instant from = now.minus(CLOCKS_DIFFER);
        X509v3CertificateBuilder builder = new JcaX509v3CertificateBuilder(
                issuer,
                new BigInteger(120, new SecureRandom()).add(BigInteger.ONE),
                Date.from(from),
                Date.from(from.atZone(ZoneOffset.UTC).plusYears(YEARS).toInstant()),
                subject,
                key);
        JcaX509ExtensionUtils identifiers = new JcaX509ExtensionUtils();
        builder.addExtension(Extension.subjectKeyIdentifier, false, identifiers.createSubjectKeyIdentifier(key));
        builder.addExtension(
                Extension.authorityKeyIdentifier, false, identifiers.createAuthorityKeyIdentifier(root.getPublic()));
        builder.addExtension(Extension.basicConstraints, true, new BasicConstraints(use == null));
        builder.addExtension(
                Extension.keyUsage,
                true,
                new KeyUsage(
                        use == null
                                ? KeyUsage.keyCertSign | KeyUsage.cRLSign
                                : KeyUsage.digitalSignature | KeyUsage.nonRepudiation));
        if (TIME.equals(use)) {
            builder.addExtension(
                    Extension.extendedKeyUsage, true, new ExtendedKeyUsage(KeyPurposeId.id_kp_timeStamping));
        }
        return new JcaX509CertificateConverter()
                .getCertificate(builder.build(new JcaContentSignerBuilder(ALGORITHM).build(root.getPrivate())));
    }

    /**
     * An authority that was kept under a passphrase; empty where it is under another, or under none.
     *
     * @throws IllegalStateException when it cannot be read at all
     */
    public static Optional<Authority> read(byte[] kept, String passphrase) {
        try {
            KeyStore keys = KeyStore.getInstance("PKCS12");
            keys.load(new ByteArrayInputStream(kept), passphrase.toCharArray());
            Map<String, OpenKey> open = new HashMap<>();
            for (String use : List.of(ROOT, SEAL, TIME)) {
                open.put(
                        use,
                        new OpenKey(
                                (PrivateKey) keys.getKey(use, passphrase.toCharArray()),
                                Stream.of(keys.getCertificateChain(use))
                                        .map(X509Certificate.class::cast)
                                        .toList()));
            }
            return Optional.of(new Authority(open, List.of()));
        } catch (UnrecoverableKeyException e) {
            return Optional.empty();
        } catch (IOException e) {
            if (e.getCause() instanceof UnrecoverableKeyException) {
                return Optional.empty();
            }
            throw new IllegalStateException("The authority cannot be read", e);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("The authority cannot be read", e);
        }
    }

    /** The authority with its private keys, encrypted under a passphrase (PKCS #12, RFC 7292). */
    public byte[] bytes(String passphrase) {
        try {
            KeyStore closed = KeyStore.getInstance("PKCS12");
            closed.load(null, null);
            for (String use : List.of(ROOT, SEAL, TIME)) {
                OpenKey open = open(use);
                closed.setKeyEntry(
                        use,
                        open.key(),
                        passphrase.toCharArray(),
                        open.certificates().toArray(Certificate[]::new));
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            closed.store(out, passphrase.toCharArray());
            return out.toByteArray();
        } catch (GeneralSecurityException | IOException e) {
            throw new IllegalStateException("The authority cannot be kept", e);
        }
    }

    /** Who seals. */
    public String name() {
        try {
            return commonName(new JcaX509CertificateHolder(sealing()));
        } catch (CertificateEncodingException e) {
            throw new IllegalStateException("The certificate cannot be read", e);
        }
    }

    static String commonName(X509CertificateHolder certificate) {
        RDN[] names = certificate.getSubject().getRDNs(BCStyle.CN);
        return names.length == 0 ? "" : names[0].getFirst().getValue().toString();
    }

    /** The certificate of the root. */
    public X509Certificate root() {
        return certificate(ROOT);
    }

    /** The certificate that seals are made with. */
    public X509Certificate sealing() {
        return certificate(SEAL);
    }

    private OpenKey open(String use) {
        return Objects.requireNonNull(keys.get(use), use);
    }

    private X509Certificate certificate(String use) {
        return open(use).certificates().getFirst();
    }

    private PrivateKey key(String use) {
        return open(use).key();
    }

    /**
     * A detached CMS signature (RFC 5652) as PAdES baseline B-T (ETSI EN 319 142-1) has it: with the certificate's digest
     * among what is signed, without a signing time there, and with a time stamp (RFC 3161) on the signature; and with the
     * list of what had been called back by then.
     */
    byte[] sign(InputStream content, Instant now) {
        try {
            X509Certificate certificate = sealing();
            ASN1EncodableVector attributes = new ASN1EncodableVector();
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(certificate.getEncoded());
            attributes.add(new Attribute(
                    PKCSObjectIdentifiers.id_aa_signingCertificateV2,
                    new DERSet(new SigningCertificateV2(new ESSCertIDv2[] {new ESSCertIDv2(digest)}))));
            CMSSignedDataGenerator generator = new CMSSignedDataGenerator();
            generator.addSignerInfoGenerator(
                    new JcaSignerInfoGeneratorBuilder(new JcaDigestCalculatorProviderBuilder().build())
                            .setSignedAttributeGenerator(new WithoutSigningTime(
                                    new DefaultSignedAttributeTableGenerator(new AttributeTable(attributes))))
                            .build(new JcaContentSignerBuilder(ALGORITHM).build(key(SEAL)), certificate));
            generator.addCertificates(new JcaCertStore(List.of(certificate, root())));
            generator.addCRL(listed(now));
            CMSSignedData signed = generator.generate(new CMSProcessableByteArray(content.readAllBytes()), false);
            return stamped(signed, now).toASN1Structure().getEncoded("DER");
        } catch (GeneralSecurityException | IOException | OperatorCreationException | CMSException e) {
            throw new IllegalStateException("The document cannot be sealed", e);
        }
    }

    private static final class WithoutSigningTime implements CMSAttributeTableGenerator {

        private final CMSAttributeTableGenerator usual;

        WithoutSigningTime(CMSAttributeTableGenerator usual) {
            this.usual = usual;
        }

        @Override
        @SuppressWarnings("rawtypes") // as the interface has it
        public AttributeTable getAttributes(Map parameters) {
            return usual.getAttributes(parameters).remove(CMSAttributes.signingTime);
        }
    }

    /**
     * A time stamp token (RFC 3161) on something, as DER: that it was there at the latest now.
     *
     * @throws IllegalStateException when it cannot be made
     */
    public byte[] stamp(byte[] content, Instant now) {
        try {
            return token(content, now).getEncoded("DER");
        } catch (CMSException | IOException e) {
            throw new IllegalStateException("The time cannot be stamped", e);
        }
    }

    private CMSSignedData stamped(CMSSignedData signed, Instant now) throws CMSException {
        List<SignerInformation> stamped = new ArrayList<>();
        for (SignerInformation signer : signed.getSignerInfos()) {
            AttributeTable unsigned = new AttributeTable(new Attribute(
                    PKCSObjectIdentifiers.id_aa_signatureTimeStampToken,
                    new DERSet(token(signer.getSignature(), now))));
            stamped.add(SignerInformation.replaceUnsignedAttributes(signer, unsigned));
        }
        return CMSSignedData.replaceSigners(signed, new SignerInformationStore(stamped));
    }

    private ContentInfo token(byte[] content, Instant now) throws CMSException {
        try {
            X509Certificate certificate = certificate(TIME);
            DigestCalculator digests = new JcaDigestCalculatorProviderBuilder()
                    .build()
                    .get(new AlgorithmIdentifier(OIWObjectIdentifiers.idSHA1));
            TimeStampTokenGenerator generator = new TimeStampTokenGenerator(
                    new JcaSimpleSignerInfoGeneratorBuilder().build(ALGORITHM, key(TIME), certificate),
                    digests,
                    POLICY);
            generator.addCertificates(new JcaCertStore(List.of(certificate, root())));
            TimeStampRequestGenerator asking = new TimeStampRequestGenerator();
            asking.setCertReq(true);
            TimeStampToken token = generator.generate(
                    asking.generate(
                            TSPAlgorithms.SHA256,
                            MessageDigest.getInstance("SHA-256").digest(content)),
                    new BigInteger(120, new SecureRandom()),
                    Date.from(now));
            return token.toCMSSignedData().toASN1Structure();
        } catch (GeneralSecurityException | OperatorCreationException | TSPException e) {
            throw new CMSException("The time cannot be stamped", new IllegalStateException(e));
        }
    }

    /** A policy of nobody in particular: under the arc for examples. */
    private static final ASN1ObjectIdentifier POLICY = new ASN1ObjectIdentifier("2.999.1");
}
